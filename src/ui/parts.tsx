import { type ReactNode, useId } from 'react';
import { type Failure } from '../core/result/result.ts';
import { failureWords } from './failureWords.ts';

/** A labelled field; `error` says what is wrong and what to do. */
export function Field({
  label,
  hint,
  error,
  children,
}: {
  label: string;
  hint?: string;
  error?: string;
  children: (id: string) => ReactNode;
}) {
  const id = useId();
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      {children(id)}
      {hint && !error && <p className="text-bark text-sm">{hint}</p>}
      {error && (
        <p role="alert" className="text-madder text-sm font-semibold">
          {error}
        </p>
      )}
    </div>
  );
}

/** Odds drawn as odds: the words and a bar. */
export function Odds({ odds, strong }: { odds: number; strong?: boolean }) {
  const pct = Math.round(odds * 100);
  return (
    <span className={`block ${strong ? 'font-bold' : ''}`}>
      <span className="tabular-nums">{pct} in 100</span>
      <span className="bg-linen mt-0.5 block h-1 w-full">
        <span className={`block h-1 ${pct < 50 ? 'bg-madder' : 'bg-walnut'}`} style={{ width: `${pct}%` }} />
      </span>
    </span>
  );
}

/** One to three strands of an aim. */
export function Strands({
  label,
  value,
  onChange,
}: {
  label: string;
  value: number;
  onChange(n: number): void;
}) {
  return (
    <fieldset className="border-linen bg-paper flex items-center gap-2 border px-3 py-1">
      <legend className="sr-only">{label}, strands</legend>
      <span>{label}</span>
      {[1, 2, 3].map((n) => (
        <button
          key={n}
          type="button"
          aria-label={`${label}: ${n === value ? 'drop' : `${n} strand${n > 1 ? 's' : ''}`}`}
          aria-pressed={value >= n}
          onClick={() => onChange(n === value ? 0 : n)}
          className="flex h-6 w-6 items-center justify-center"
        >
          <span className={`border-walnut block h-3 w-3 border ${value >= n ? 'bg-walnut' : ''}`} />
        </button>
      ))}
    </fieldset>
  );
}

export function Page({
  title,
  lead,
  children,
  aside,
  wide,
}: {
  title: string;
  lead?: ReactNode;
  children: ReactNode;
  aside?: ReactNode;
  /** For a board that needs the breadth of the window. */
  wide?: boolean;
}) {
  return (
    <main id="main" className={`mx-auto w-full px-4 py-6 sm:px-6 ${wide ? 'max-w-[84rem]' : 'max-w-6xl'}`}>
      <h1 className="font-display text-2xl font-bold">{title}</h1>
      {lead && <div className="text-bark mt-1 max-w-3xl">{lead}</div>}
      <div className={aside ? 'mt-5 grid gap-8 lg:grid-cols-[1fr_20rem]' : 'mt-5'}>
        <div className="min-w-0">{children}</div>
        {aside && <aside className="border-linen lg:border-l lg:pl-6">{aside}</aside>}
      </div>
    </main>
  );
}

/** The answer of a screen, the largest thing on it. */
export function Answer({ big, children }: { big: ReactNode; children?: ReactNode }) {
  return (
    <div className="border-walnut my-4 border-l-4 py-1 pl-4">
      <p className="font-display text-4xl leading-tight font-bold">{big}</p>
      {children && <div className="mt-1 max-w-2xl">{children}</div>}
    </div>
  );
}

/** Says that the core gave no answer, and why; nothing while all is well. */
export const NoAnswer = ({ failure }: { failure: Failure | undefined }) =>
  failure ? (
    <p role="alert" className="text-madder mb-3 text-sm font-semibold">
      {failureWords(failure)}
    </p>
  ) : null;

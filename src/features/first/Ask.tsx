import { type ReactNode } from 'react';

export function Ask({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="flex flex-col gap-3">
      <h2 className="font-display border-linen border-b pb-1 text-xl font-bold">{title}</h2>
      {children}
    </section>
  );
}

export function Chips({
  label,
  options,
  chosen,
  choose,
}: {
  label: string;
  options: readonly (readonly [string, string])[];
  chosen: string;
  choose(id: string): void;
}) {
  return (
    <div className="flex flex-wrap gap-2" role="group" aria-label={label}>
      {options.map(([id, words]) => (
        <button
          key={id}
          type="button"
          aria-pressed={chosen === id}
          className={`btn ${chosen === id ? 'btn-primary' : ''}`}
          onClick={() => choose(id)}
        >
          {words}
        </button>
      ))}
    </div>
  );
}

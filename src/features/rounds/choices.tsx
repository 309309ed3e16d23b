import { Swatch } from '../../ui/Weave.tsx';
import { OF_TEN } from './pick.ts';

export function Choices<T extends string>({
  value,
  set,
  options,
}: {
  value: string | undefined;
  set(v: T): void;
  options: readonly (readonly [T, string])[];
}) {
  return (
    <div className="mt-3 flex flex-col gap-2">
      {options.map(([v, words]) => (
        <button
          key={v}
          type="button"
          aria-pressed={value === v}
          className={`bg-paper min-h-14 border-2 px-4 text-left text-lg ${value === v ? 'border-walnut font-bold' : 'border-linen'}`}
          onClick={() => set(v)}
        >
          {words}
        </button>
      ))}
    </div>
  );
}

/** Ten squares of the weave: tap how many. */
export function Tens({
  value,
  set,
  words,
}: {
  value: number | undefined;
  set(n: number): void;
  words: string;
}) {
  return (
    <div className="mt-3">
      <p className="font-semibold">How many of ten are {words}?</p>
      <div className="mt-1 grid grid-cols-10 gap-1" role="group" aria-label={`How many of ten are ${words}`}>
        {Array.from({ length: OF_TEN }, (_, i) => (
          <button
            key={i}
            type="button"
            aria-label={`${i + 1} of 10`}
            aria-pressed={value === i + 1}
            className={`flex h-12 items-center justify-center border-2 ${(value ?? 0) > i ? 'border-walnut bg-leaf/30' : 'border-linen bg-paper'}`}
            onClick={() => set(i + 1)}
          >
            {(value ?? 0) > i && <Swatch motif="grass" size={20} />}
          </button>
        ))}
      </div>
      <button
        type="button"
        aria-pressed={value === 0}
        className={`bg-paper mt-2 min-h-12 w-full border-2 ${value === 0 ? 'border-walnut font-bold' : 'border-linen'}`}
        onClick={() => set(0)}
      >
        None of ten
      </button>
      {value !== undefined && (
        <p className="text-bark mt-1" aria-live="polite">
          {value} of 10 {words}
        </p>
      )}
    </div>
  );
}

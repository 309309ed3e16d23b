import type { Look } from '../../records/types.ts';

type Soil = NonNullable<Look['soil']>;

export const WEED_KINDS: readonly (readonly [NonNullable<Look['weedKinds']>[number], string])[] = [
  ['broad', 'Broad leaves'],
  ['grasses', 'Grasses'],
  ['creeping', 'Creeping from roots'],
];
export const PEST_WORDS: readonly (readonly [NonNullable<Look['pests']>[number], string])[] = [
  ['slugs', 'Slugs'],
  ['aphids', 'Aphids'],
  ['flea-beetles', 'Flea beetles'],
  ['caterpillars', 'Caterpillars'],
  ['wireworm', 'Wireworm'],
  ['voles', 'Voles or mice'],
  ['birds', 'Birds'],
];

const tile = (on: boolean): string =>
  `bg-paper min-h-14 border-2 px-3 text-left ${on ? 'border-walnut font-bold' : 'border-linen'}`;

interface SeveralProps<T extends string> {
  label: string;
  value: T[];
  set(v: T[]): void;
  options: readonly (readonly [T, string])[];
  none?: string;
  /** Something was tapped, be it that there is none. */
  answered?: boolean;
}

/** A few things of a list, or that there is none; large enough for a thumb. */
export function Several<T extends string>(props: SeveralProps<T>) {
  const { label, value, set, options, none, answered = value.length > 0 } = props;
  return (
    <fieldset className="mt-3">
      <legend className="font-semibold">{label}</legend>
      <div className="mt-1 grid grid-cols-2 gap-2">
        {options.map(([v, words]) => (
          <button
            key={v}
            type="button"
            aria-pressed={value.includes(v)}
            className={tile(value.includes(v))}
            onClick={() => set(value.includes(v) ? value.filter((x) => x !== v) : [...value, v])}
          >
            {words}
          </button>
        ))}
        {none && (
          <button
            type="button"
            aria-pressed={answered && value.length === 0}
            className={tile(answered && value.length === 0)}
            onClick={() => set([])}
          >
            {none}
          </button>
        )}
      </div>
    </fieldset>
  );
}

const LESS = [-10, -1] as const;
const MORE = [1, 10] as const;
const MOST = 9999;

interface CounterProps {
  value: number | undefined;
  set(n: number): void;
  label: string;
}

/** A count by large buttons; typing works too. */
export function Counter({ value, set, label }: CounterProps) {
  const step = (by: number) => (
    <button
      key={by}
      type="button"
      className="btn h-14"
      onClick={() => set(Math.min(MOST, Math.max(0, (value ?? 0) + by)))}
    >
      {by > 0 ? `+${by}` : by}
    </button>
  );
  return (
    <div className="mt-3 grid grid-cols-[1fr_1fr_1.4fr_1fr_1fr] items-stretch gap-2">
      {LESS.map(step)}
      <input
        aria-label={label}
        inputMode="numeric"
        className="input h-14 text-center text-2xl font-bold"
        value={value ?? ''}
        onChange={(e) => {
          const n = Number(e.target.value);
          if (Number.isInteger(n) && n >= 0 && n <= MOST) set(n);
        }}
      />
      {MORE.map(step)}
    </div>
  );
}

const DEPTHS: [number, string][] = [
  [10, 'A hand'],
  [20, 'Half a spade'],
  [30, 'A spade'],
  [45, 'A spade and a half'],
];
const WORMS: [number, string][] = [
  [0, 'None'],
  [3, '1 to 5'],
  [8, '6 to 10'],
  [15, 'More than 10'],
];
const CRUMBS: [Soil['crumb'], string][] = [
  ['loose', 'Loose grains'],
  ['crumbs', 'Crumbs'],
  ['clods', 'Hard clods'],
  ['plates', 'Flat plates'],
];
const SMELLS: [Soil['smell'], string][] = [
  ['sweet', 'Sweet, of woods'],
  ['faint', 'Hardly any'],
  ['sour', 'Sour or of eggs'],
];

/** One spadeful, looked at the same way every year. */
export function SoilCard({ soil, set }: { soil: Partial<Soil>; set(s: Partial<Soil>): void }) {
  const put = (part: Partial<Soil>) => set({ ...soil, ...part });
  return (
    <>
      <p>
        One spadeful from the middle of the bed, when the ground is moist: a block of a spade’s width. Break
        it over your hand, count the worms, smell it.
      </p>
      <One
        label="The spade went in easily to"
        value={soil.depth_cm}
        set={(depth_cm) => put({ depth_cm })}
        options={DEPTHS}
      />
      <One label="Worms in it" value={soil.worms} set={(worms) => put({ worms })} options={WORMS} />
      <One label="It breaks into" value={soil.crumb} set={(crumb) => put({ crumb })} options={CRUMBS} />
      <One label="It smells" value={soil.smell} set={(smell) => put({ smell })} options={SMELLS} />
    </>
  );
}

interface OneProps<T> {
  label: string;
  value: T | undefined;
  set(v: T): void;
  options: [T, string][];
}

function One<T extends string | number>({ label, value, set, options }: OneProps<T>) {
  return (
    <fieldset className="mt-3">
      <legend className="font-semibold">{label}</legend>
      <div className="mt-1 grid grid-cols-2 gap-2">
        {options.map(([v, words]) => (
          <button
            key={v}
            type="button"
            aria-pressed={value === v}
            className={tile(value === v)}
            onClick={() => set(v)}
          >
            {words}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

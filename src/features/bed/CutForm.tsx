import { z } from 'zod';
import { PIECE_USES, type PieceUse, shareOf } from '../../core/bed/pieces.ts';
import { boxOf, cornersOf } from '../../core/ground/shape.ts';
import { parseLength_m } from '../../core/units/length.ts';
import { showLength, type UnitChoice } from '../../core/units/show.ts';
import { cutBed, type Wanted } from '../../records/commands/pieces.ts';
import type { Bed } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { type KeptForm, useKeptForm } from '../../ring/useKeptForm.ts';
import { DateField, SelectField, TextField } from '../../ui/fields.tsx';

export const USES: Record<PieceUse, string> = {
  bed: 'Sown and planted',
  seed: 'Left to ripen for seed',
  path: 'Living path',
  film: 'Film strip',
  kept: 'A plant that stays',
};
const NUMBERS = ['2', '3', '4', '5', '6', '8', '10', '12'] as const;
const LETTERS = 'abcdefghijkl';
const SIDES = [
  ['across', 'across it'],
  ['along', 'into strips along it'],
] as const;

/** What was said of the cut, as it was typed; sizes and names left empty are shared out and called by letters. */
interface Typed {
  side: 'along' | 'across';
  count: string;
  on: string;
  names: Record<string, string>;
  uses: Record<string, PieceUse>;
  sizes: Record<string, string>;
}

/** Side that is cut, m: across the bed for strips along it. */
function sideOf(bed: Bed, side: Typed['side']): number {
  const box = boxOf(cornersOf(bed));
  const [long, short] = [Math.max(box.width, box.height), Math.min(box.width, box.height)];
  return side === 'along' ? short : long;
}

/** Sizes of the pieces, m: those typed, and what is left shared among the others; undefined where they do not fit. */
export function sizesOf(typed: readonly string[], whole_m: number, unit: 'm' | 'ft'): number[] | undefined {
  const read = typed.map((t) => (t.trim() === '' ? null : parseLength_m(t, unit)));
  if (read.some((r) => r && !r.ok)) return undefined;
  const given = read.map((r) => (r?.ok ? r.value : null));
  const open = given.filter((g) => g === null).length;
  const left = whole_m - given.reduce<number>((sum, g) => sum + (g ?? 0), 0);
  if (open === 0 ? Math.abs(left) > 0.005 : left < 0.01 * open) return undefined;
  return given.map((g) => g ?? left / open);
}

/** The pieces as they are wanted, each with the size it takes, m; undefined sizes where those typed do not fit. */
function piecesOf(t: Typed, bed: Bed, whole_m: number, unit: 'm' | 'ft') {
  const rows = Array.from({ length: Number(t.count) }, (_, i) => String(i));
  const sizes = sizesOf(
    rows.map((i) => t.sizes[i] ?? ''),
    whole_m,
    unit,
  );
  const pieces = rows.map((i, k): Wanted => ({
    name: t.names[i] ?? `${bed.name}${/\d$/.test(bed.name) ? '' : ' '}${LETTERS[k]}`,
    use: t.uses[i] ?? 'bed',
    share: sizes?.[k] ?? 0,
  }));
  return { pieces, sizes };
}

/** What is typed, read as a cut of this bed. */
const cutOf = (bed: Bed, wholeOf: (side: Typed['side']) => number, units: UnitChoice) => {
  const unit = units.length === 'metric' ? 'm' : 'ft';
  return z
    .object({
      side: z.enum(['along', 'across']),
      count: z.string(),
      on: z.string(),
      names: z.record(z.string(), z.string()),
      uses: z.record(z.string(), z.enum(PIECE_USES)),
      sizes: z.record(z.string(), z.string()),
    })
    .transform((t, ctx) => {
      const whole = wholeOf(t.side);
      const { pieces, sizes } = piecesOf(t, bed, whole, unit);
      if (sizes) return { on: t.on, side: t.side, pieces };
      ctx.addIssue({ code: 'custom', path: ['sizes'], message: doNotFit(whole, units) });
      return z.NEVER;
    });
};
const doNotFit = (whole_m: number, units: UnitChoice): string =>
  `These sizes do not make up the ${showLength(whole_m, units)} there are. Leave one empty and it takes the rest.`;

/** Cuts a bed, or a piece again, into pieces of one's own sizes and uses. */
export function CutForm({ bed }: { bed: Bed }) {
  const { garden, beds, today, hands, run } = useGarden();
  const { units } = garden;
  const lies = beds.find((b) => b.id === bed.piece?.of) ?? bed;
  const wholeOf = (side: Typed['side']) => sideOf(lies, side) * shareOf(bed);
  const fresh: Typed = {
    side: bed.piece?.side ?? 'across',
    count: '2',
    on: today,
    names: {},
    uses: {},
    sizes: {},
  };
  const form = useKeptForm(`cut ${bed.id} ${garden.id}`, cutOf(bed, wholeOf, units), fresh, (cut) =>
    run(cutBed(hands, bed, { ...cut, today })),
  );
  if (!form) return null;
  const { typed: t } = form;
  const whole = wholeOf(t.side);
  const { pieces, sizes } = piecesOf(t, bed, whole, units.length === 'metric' ? 'm' : 'ft');
  return (
    <details className="border-warp mt-6 border-t pt-3">
      <summary className="font-display cursor-pointer text-xl font-bold">
        {bed.piece ? 'Cut this piece again' : 'Cut it into pieces'}
      </summary>
      <form onSubmit={form.onSubmit}>
        <p className="mt-2 max-w-xl">
          Half of it another cover, plots of a trial, a living path, a strip left for seed. What stands on it
          then goes on on every piece that is sown; it becomes whole again when you say so.
        </p>
        <div className="mt-3 grid max-w-3xl gap-3 sm:grid-cols-3">
          <SelectField<Typed['side']>
            label="Cut"
            value={t.side}
            options={SIDES.filter(([side]) => !bed.piece || side === bed.piece.side)}
            onChange={(side) => form.set({ side, sizes: {} })}
          />
          <SelectField
            label="Pieces"
            {...form.field('count')}
            options={NUMBERS.map((n) => [n, n] as const)}
          />
          <DateField label="From" {...form.field('on')} />
        </div>
        {sizes && <Drawn pieces={pieces} whole_m={whole} side={t.side} />}
        <Rows form={form} pieces={pieces} sizes={sizes} whole={showLength(whole, units)} units={units} />
        {!sizes && (
          <p role="alert" className="text-madder font-semibold">
            {doNotFit(whole, units)}
          </p>
        )}
        <button type="submit" className="btn btn-primary mt-2" disabled={!sizes}>
          Cut bed {bed.name} into {t.count}
        </button>
      </form>
    </details>
  );
}

/** The bed as it would lie. */
function Drawn({ pieces, whole_m, side }: { pieces: Wanted[]; whole_m: number; side: Typed['side'] }) {
  return (
    <div
      className={`border-walnut mt-3 flex max-w-md border ${side === 'across' ? 'h-14 flex-row' : 'h-24 flex-col'}`}
      aria-hidden="true"
    >
      {pieces.map((p, k) => (
        <span
          key={k}
          className={`border-wool flex items-center justify-center overflow-hidden border text-sm font-bold ${p.use === 'bed' || p.use === 'seed' ? 'bg-warp' : 'bg-linen'}`}
          style={{ flexGrow: (100 * p.share) / whole_m, flexBasis: 0 }}
        >
          {p.name}
        </span>
      ))}
    </div>
  );
}

/** Name, use and size of every piece. */
function Rows({
  form: { typed: t, set },
  pieces,
  sizes,
  whole,
  units,
}: {
  form: KeptForm<Typed>;
  pieces: Wanted[];
  sizes: number[] | undefined;
  whole: string;
  units: UnitChoice;
}) {
  return (
    <ul className="mt-3 max-w-3xl">
      {pieces.map((p, k) => (
        <li key={k} className="border-linen grid gap-3 border-t py-2 sm:grid-cols-3">
          <TextField
            label={`Name of piece ${k + 1}`}
            value={p.name}
            onChange={(name) => set({ names: { ...t.names, [k]: name } })}
          />
          <SelectField<PieceUse>
            label={`Piece ${k + 1} is`}
            value={p.use}
            options={PIECE_USES.map((u) => [u, USES[u]] as const)}
            onChange={(use) => set({ uses: { ...t.uses, [k]: use } })}
          />
          <TextField
            label={`It takes of ${whole}`}
            value={t.sizes[k] ?? ''}
            hint={sizes && !t.sizes[k] ? `${showLength(sizes[k]!, units)}, as nothing else is said` : ''}
            onChange={(size) => set({ sizes: { ...t.sizes, [k]: size } })}
          />
        </li>
      ))}
    </ul>
  );
}

import { useState } from 'react';
import { Link } from 'react-router';
import { isCut, isGrown, PIECE_USES, type PieceUse, shareOf } from '../../core/bed/pieces.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { boxOf, cornersOf } from '../../core/ground/shape.ts';
import { parseLength_m } from '../../core/units/length.ts';
import { showArea, showLength } from '../../core/units/show.ts';
import { cutBed, joinBed, type Wanted } from '../../records/commands/pieces.ts';
import type { Bed } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useDraft } from '../../ring/useDraft.ts';
import { showIsoYear } from '../../ui/dates.ts';
import { DateField, SelectField, TextField } from '../../ui/fields.tsx';

const USES: Record<PieceUse, string> = {
  bed: 'Sown and planted',
  seed: 'Left to ripen for seed',
  path: 'Living path',
  film: 'Film strip',
  kept: 'A plant that stays',
};
const NUMBERS = ['2', '3', '4', '5', '6', '8', '10', '12'] as const;
const LETTERS = 'abcdefghijkl';

/** What was said of the cut, as it was typed; sizes and names left empty are shared out and called by letters. */
interface Said {
  side: 'along' | 'across';
  count: string;
  on: string;
  names: Record<string, string>;
  uses: Record<string, PieceUse>;
  sizes: Record<string, string>;
}

/** Pieces of a bed, or what it is a piece of; and the way to cut it or to make it whole. */
export function Pieces({ bed }: { bed: Bed }) {
  const { beds, today } = useGarden();
  const now = dayOf(today);
  const parent = beds.find((b) => b.id === bed.piece?.of);
  const pieces = beds.filter((b) => b.piece?.of === bed.id && (b.piece.until ?? '9999') > today);
  if (bed.piece)
    return (
      <>
        <p className="mt-3">
          {USES[bed.piece.use]}, a piece of{' '}
          <Link className="underline" to={`/bed/${bed.piece.of}`}>
            bed {parent?.name}
          </Link>{' '}
          since {showIsoYear(bed.piece.from)}
          {bed.piece.until && ` until ${showIsoYear(bed.piece.until)}`}.
        </p>
        {isGrown(bed) && bed.piece.until === null && bed.piece.from < today && <CutForm bed={bed} />}
      </>
    );
  return pieces.length > 0 ? (
    <Cut bed={bed} pieces={pieces} now={isCut(bed.id, beds, now)} />
  ) : (
    <CutForm bed={bed} />
  );
}

function Cut({ bed, pieces, now }: { bed: Bed; pieces: Bed[]; now: boolean }) {
  const { garden, today, hands, run } = useGarden();
  const [on, setOn] = useState(today);
  return (
    <section className="mt-3" aria-label="Pieces">
      <p>
        {now ? 'It is cut into pieces' : `It will be cut on ${showIsoYear(pieces[0]!.piece!.from)}`}; covers
        and crops go on these:
      </p>
      <ul className="mt-2">
        {pieces.map((p) => (
          <li key={p.id} className="border-linen flex flex-wrap items-baseline gap-x-4 border-t py-2">
            <Link className="font-display text-lg font-bold underline" to={`/bed/${p.id}`}>
              {p.name}
            </Link>
            <span>
              {p.width_m && p.length_m
                ? `${showLength(p.width_m, garden.units)} × ${showLength(p.length_m, garden.units)}, `
                : ''}
              {showArea(p.area_m2, garden.units)}
            </span>
            <span className="text-bark">{USES[p.piece!.use].toLowerCase()}</span>
          </li>
        ))}
      </ul>
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <DateField label="Whole again from" value={on} onChange={setOn} />
        <button type="button" className="btn" onClick={() => void run(joinBed(hands, bed, on, today))}>
          Make bed {bed.name} whole
        </button>
      </div>
    </section>
  );
}

/** Side that is cut, m: across the bed for strips along it. */
function sideOf(bed: Bed, side: Said['side']): number {
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

function CutForm({ bed }: { bed: Bed }) {
  const { garden, beds, today, hands, run } = useGarden();
  const fresh: Said = {
    side: bed.piece?.side ?? 'across',
    count: '2',
    on: today,
    names: {},
    uses: {},
    sizes: {},
  };
  const [said, setSaid, clear] = useDraft<Said>(`cut ${bed.id} ${garden.id}`, fresh);
  if (!said) return null;
  const set = (patch: Partial<Said>) => setSaid({ ...said, ...patch });
  const rows = Array.from({ length: Number(said.count) }, (_, i) => String(i));
  const lies = beds.find((b) => b.id === bed.piece?.of) ?? bed;
  const whole = sideOf(lies, said.side) * shareOf(bed);
  const unit = garden.units.length === 'metric' ? 'm' : 'ft';
  const sizes = sizesOf(
    rows.map((i) => said.sizes[i] ?? ''),
    whole,
    unit,
  );
  const pieces = rows.map((i, k): Wanted => ({
    name: said.names[i] ?? `${bed.name}${/\d$/.test(bed.name) ? '' : ' '}${LETTERS[k]}`,
    use: said.uses[i] ?? 'bed',
    share: sizes?.[k] ?? 0,
  }));
  const cut = async () => {
    if (await run(cutBed(hands, bed, { on: said.on, today, side: said.side, pieces }))) clear();
  };
  return (
    <details className="border-warp mt-6 border-t pt-3">
      <summary className="font-display cursor-pointer text-xl font-bold">
        {bed.piece ? 'Cut this piece again' : 'Cut it into pieces'}
      </summary>
      <p className="mt-2 max-w-xl">
        Half of it another cover, plots of a trial, a living path, a strip left for seed. What stands on it
        then goes on on every piece that is sown; it becomes whole again when you say so.
      </p>
      <div className="mt-3 grid max-w-3xl gap-3 sm:grid-cols-3">
        <SelectField<Said['side']>
          label="Cut"
          value={said.side}
          options={(
            [
              ['across', 'across it'],
              ['along', 'into strips along it'],
            ] as const
          ).filter(([side]) => !bed.piece || side === bed.piece.side)}
          onChange={(side) => set({ side, sizes: {} })}
        />
        <SelectField
          label="Pieces"
          value={said.count}
          options={NUMBERS.map((n) => [n, n] as const)}
          onChange={(count) => set({ count })}
        />
        <DateField label="From" value={said.on} onChange={(on) => set({ on })} />
      </div>
      {sizes && (
        <div
          className={`border-walnut mt-3 flex max-w-md border ${said.side === 'across' ? 'h-14 flex-row' : 'h-24 flex-col'}`}
          aria-hidden="true"
        >
          {pieces.map((p, k) => (
            <span
              key={k}
              className={`border-wool flex items-center justify-center overflow-hidden border text-sm font-bold ${p.use === 'bed' || p.use === 'seed' ? 'bg-warp' : 'bg-linen'}`}
              style={{ flexGrow: (100 * p.share) / whole, flexBasis: 0 }}
            >
              {p.name}
            </span>
          ))}
        </div>
      )}
      <ul className="mt-3 max-w-3xl">
        {rows.map((i, k) => (
          <li key={i} className="border-linen grid gap-3 border-t py-2 sm:grid-cols-3">
            <TextField
              label={`Name of piece ${k + 1}`}
              value={pieces[k]!.name}
              onChange={(name) => set({ names: { ...said.names, [i]: name } })}
            />
            <SelectField<PieceUse>
              label={`Piece ${k + 1} is`}
              value={pieces[k]!.use}
              options={PIECE_USES.map((u) => [u, USES[u]] as const)}
              onChange={(use) => set({ uses: { ...said.uses, [i]: use } })}
            />
            <TextField
              label={`It takes of ${showLength(whole, garden.units)}`}
              value={said.sizes[i] ?? ''}
              hint={
                sizes && !said.sizes[i]
                  ? `${showLength(sizes[k]!, garden.units)}, as nothing else is said`
                  : ''
              }
              onChange={(size) => set({ sizes: { ...said.sizes, [i]: size } })}
            />
          </li>
        ))}
      </ul>
      {!sizes && (
        <p role="alert" className="text-madder font-semibold">
          These sizes do not make up the {showLength(whole, garden.units)} there are. Leave one empty and it
          takes the rest.
        </p>
      )}
      <button type="button" className="btn btn-primary mt-2" disabled={!sizes} onClick={() => void cut()}>
        Cut bed {bed.name} into {said.count}
      </button>
    </details>
  );
}

import { runOutAdvice, type RunOutAdvice } from '../../core/broadcast/runOut.ts';
import { G_PER_OZ, showLength, showMass } from '../../core/units/show.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useDraft } from '../../ring/useDraft.ts';
import type { Bed, Cover, Walk } from '../../records/types.ts';
import { RangeField, TextField } from '../../ui/fields.tsx';
import { groundOf } from './BedDrawing.tsx';

interface Props {
  cover: Cover;
  bed: Bed;
  walk: Walk;
  weights: { speciesId: string; weigh_g: number }[];
  onWalk(part: Partial<Walk>, label: string): Promise<boolean>;
}

/** The bag was empty before the bed was done, or it was not empty at the end. Where, and what now. */
export function RanOut({ cover, bed, walk, weights, onWalk }: Props) {
  const { garden, lots } = useGarden();
  const [form, setForm] = useDraft(`ran-out ${cover.id}`, { reached: 75, left: '' });
  const imperial = garden.units.mass === 'imperial';
  if (!form) return null;
  const meant_g = weights.reduce((s, w) => s + w.weigh_g, 0);
  const shelf_g = cover.seed.reduce((sum, s) => sum + (lots.find((l) => l.id === s.lotId)?.left_g ?? 0), 0);
  const { length_m } = groundOf(bed);
  const left_g = Number(form.left.replace(',', '.') || 0) * (imperial ? G_PER_OZ : 1);
  const portion = Math.max(
    0,
    Math.min(cover.throws - 1, walk.portionsDone - (walk.portionsDone >= cover.throws ? 1 : 0)),
  );
  const advice =
    walk.stopped &&
    runOutAdvice({
      meant_g,
      portions: cover.throws,
      done: portion,
      reached: walk.stopped.reached,
      left_g: walk.stopped.left_g,
      shelf_g: Math.max(0, shelf_g - meant_g),
    });
  return (
    <details className="border-linen mt-4 max-w-2xl border-t pt-2" open={walk.stopped !== null}>
      <summary className="cursor-pointer text-lg font-bold">The bag ran out early, or seed is left</summary>
      <div className="mt-2 grid gap-3">
        <RangeField
          label="The bag was empty at"
          value={form.reached}
          shown={`${showLength((form.reached / 100) * length_m, garden.units)}`}
          min={5}
          max={100}
          step={5}
          onChange={(reached) => setForm({ ...form, reached })}
        />
        <TextField
          label={`Left in it at the end, ${imperial ? 'ounces' : 'grams'}`}
          value={form.left}
          onChange={(left) => setForm({ ...form, left })}
          decimal
        />
        <button
          type="button"
          className="btn justify-self-start"
          disabled={!(left_g >= 0)}
          onClick={() =>
            void onWalk(
              { stopped: { reached: form.reached / 100, left_g: form.reached < 100 ? 0 : left_g } },
              `where the bag was empty on bed ${bed.name}`,
            )
          }
        >
          What now?
        </button>
      </div>
      {advice && (
        <p role="status" className="font-display mt-3 text-2xl font-bold">
          {words(
            advice,
            walk.stopped!.reached,
            (g) => showMass(g, garden.units),
            (x) => showLength(x * length_m, garden.units),
          )}
        </p>
      )}
      {walk.stopped && (
        <button
          type="button"
          className="btn btn-sm mt-2"
          onClick={() => void onWalk({ stopped: null }, 'the walk')}
        >
          It is put right
        </button>
      )}
    </details>
  );
}

function words(
  a: RunOutAdvice,
  reached: number,
  mass: (g: number) => string,
  at: (share: number) => string,
): string {
  switch (a.say) {
    case 'strip-first':
      return `Give ${mass(a.strip_g)} of the next portion to the last ${at(1 - reached)}, then ${mass(a.each_g)} over the whole bed.`;
    case 'take-from-shelf':
      return `Weigh ${mass(a.strip_g)} more from the shelf for the last ${at(1 - reached)}.`;
    case 'spread-left-over':
      return `It was thrown thin: ${a.each_g > 0 ? `throw ${mass(a.each_g)} over the whole bed next` : 'throw the rest crosswise over the whole bed'}.`;
    case 'leave-and-mark':
      return `Put a stick at ${at(reached)}: beyond it is bare. It lacks ${mass(a.strip_g)}. Sow it when you have seed, or sow something quick there.`;
    case 'nothing-to-do':
      return reached < 1
        ? `The last ${at(1 - reached)} is thinner but carries the earlier throws: leave it, and look there first.`
        : 'That is as good as a hand throws. Put the rest back on the shelf.';
  }
}

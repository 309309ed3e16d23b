import { z } from 'zod';
import { speciesOf } from '../../catalogue/catalogue.ts';
import { countedRate, throwAdvice, type ThrowAdvice } from '../../core/broadcast/count.ts';
import { rateIn } from '../../core/units/rate.ts';
import { useGarden } from '../../ring/garden.tsx';
import type { Cover, Walk } from '../../records/types.ts';
import { SelectField, TextField } from '../../ui/fields.tsx';
import { useKeptForm } from '../../ring/useKeptForm.ts';
import { figure } from '../../ring/typedFigures.ts';

const FRAMES = [
  ['0.01', '10 × 10 cm'],
  ['0.0225', 'a hand’s span square, 15 × 15 cm'],
  ['0.04', '20 × 20 cm'],
  ['0.0929', 'a foot square'],
  ['0.25', 'half a metre square'],
] as const;

const MOST_SEEDS = 100_000;
const countForm = z.object({
  seeds: figure(0, MOST_SEEDS, `Seeds counted are a whole number, 0 to ${MOST_SEEDS}.`).refine(
    Number.isInteger,
    'Seeds are counted whole.',
  ),
});

interface Props {
  cover: Cover;
  walk: Walk;
  weights: { speciesId: string; weigh_g: number; area_m2: number }[];
  onWalk(part: Partial<Walk>, label: string): Promise<boolean>;
}

/** Count seeds in a frame a few times; be told the rate thrown, how sure that is, and what to do with the rest. */
export function CountSeeds({ cover, walk, weights, onWalk }: Props) {
  const { garden } = useGarden();
  const form = useKeptForm(`count of seeds ${cover.id}`, countForm, { seeds: '' }, ({ seeds }) =>
    onWalk({ counts: [...walk.counts, { portions: walk.portionsDone, seeds }] }, 'a count of seeds'),
  );
  const counts = walk.counts.filter((c) => c.portions === walk.portionsDone).map((c) => c.seeds);
  const rate = countedRate({ frame_m2: walk.frame_m2, counts });
  const perSeed_g =
    weights.reduce((s, w) => s + w.weigh_g, 0) /
    weights.reduce((s, w) => s + (w.weigh_g / speciesOf(w.speciesId).seed.thousandSeed_g) * 1000, 0);
  const meant_m2 =
    weights.reduce((s, w) => s + (w.weigh_g / speciesOf(w.speciesId).seed.thousandSeed_g) * 1000, 0) /
    weights[0]!.area_m2;
  const share = Math.min(1, walk.portionsDone / cover.throws);
  const advice = rate && share > 0 ? throwAdvice(rate, meant_m2, share) : undefined;
  const unit = garden.units.mass === 'imperial' ? 'oz/100 ft²' : 'g/m²';
  const shown = (seeds_m2: number) => Number(rateIn(seeds_m2 * perSeed_g, unit).toPrecision(2));
  if (!form) return null;
  if (walk.portionsDone === 0)
    return <p className="text-bark">After the first portion, count seeds in a small frame here.</p>;
  return (
    <section aria-label="Count seeds" className="max-w-2xl">
      <p>
        Lay the frame down without looking, five times or more, edges and middle alike. Meant by now: about{' '}
        <b>{Math.round(meant_m2 * share * walk.frame_m2)}</b> seeds in it.
      </p>
      <form className="mt-2 grid grid-cols-2 items-end gap-3 sm:grid-cols-3" onSubmit={form.onSubmit}>
        <SelectField
          label="The frame"
          value={FRAMES.find(([v]) => Math.abs(Number(v) - walk.frame_m2) < 1e-6)?.[0] ?? '0.04'}
          options={FRAMES}
          onChange={(v) => void onWalk({ frame_m2: Number(v), counts: [] }, 'the frame')}
        />
        <TextField label="Seeds in it" decimal {...form.field('seeds')} />
        <button type="submit" className="btn" disabled={form.typed.seeds.trim() === ''}>
          Add the count
        </button>
      </form>
      {counts.length > 0 && (
        <p className="mt-2">
          Counted: {counts.join(', ')}{' '}
          <button
            type="button"
            className="btn btn-ghost btn-sm"
            onClick={() => void onWalk({ counts: walk.counts.slice(0, -1) }, 'a count of seeds')}
          >
            Take the last back
          </button>
        </p>
      )}
      {rate && (
        <p>
          Thrown so far: <b>{shown(rate.seeds_m2.mid)}</b> {unit}, likely between {shown(rate.seeds_m2.low)}{' '}
          and {shown(rate.seeds_m2.high)}.{' '}
          {rate.cv !== undefined &&
            (rate.cv < 0.35
              ? 'Even.'
              : rate.cv < 0.6
                ? 'Somewhat patchy.'
                : 'Patchy: the next throw crosswise will even it.')}
        </p>
      )}
      {advice && share < 1 && (
        <p role="status" className="font-display mt-1 text-2xl font-bold">
          {sayAdvice(advice, counts.length)}
        </p>
      )}
      {advice && share >= 1 && (
        <p role="status">The bed has {Math.round(advice.ratio.mid * 100)} % of what was meant.</p>
      )}
    </section>
  );
}

function sayAdvice(a: ThrowAdvice, n: number): string {
  const pct = Math.round(Math.abs(a.handful - 1) * 100);
  if (n < 3) return 'Count twice more, then it says something.';
  switch (a.say) {
    case 'on-the-mark':
      return 'On the mark. Throw on as you do.';
    case 'too-unsure':
      return 'The counts differ too much to say. Count three more.';
    case 'heavy':
      return `Heavy. Take handfuls ${pct} % smaller from here on, so that the bag lasts.`;
    case 'light':
      return `Light. Take handfuls ${pct} % bigger from here on.`;
  }
}

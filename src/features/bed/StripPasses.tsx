import { lazy, Suspense } from 'react';
import { z } from 'zod';
import { dayOf } from '../../core/calendar/day.ts';
import {
  DEEDS_OF,
  type LastingUse,
  type StripLife as Life,
  STRIP_DEEDS,
  type StripPass,
  TAKES,
} from '../../core/strips/life.ts';
import { type Mowing } from '../../core/strips/mowing.ts';
import { showMass, showPerArea } from '../../core/units/show.ts';
import { MOVED } from '../../core/years/ledger.ts';
import { logStrip, unlogStrip } from '../../records/commands/strips.ts';
import type { Bed } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { barrowOrNone, figureOrNone } from '../../ring/typedFigures.ts';
import { useKeptForm } from '../../ring/useKeptForm.ts';
import { showIsoYear } from '../../ui/dates.ts';
import { SelectField, TextField } from '../../ui/fields.tsx';
import { carriedMass } from '../../ui/movedWords.ts';
import { DEED_WORDS } from '../../ui/stripWords.ts';

const SwardChart = lazy(() => import('./SwardChart.tsx'));

/** Less than this is nothing to carry, kg. */
const LEAST_KG = 0.05;
/** Less than this is not worth telling, g/m2. */
const LEAST_G_M2 = 5;
const MOST_MINUTES = 10_000;
const LEFT = 'left';
const OFF = 'off';

const passForm = (imperial: boolean) =>
  z.object({
    kind: z.enum(STRIP_DEEDS),
    minutes: figureOrNone(0, MOST_MINUTES, 'Minutes are a number, such as 6 or 12.5.'),
    goes: z.string(),
    weight: barrowOrNone(imperial),
  });

/** What was done to a strip today, with the minutes it took and where what came off went. */
export function LogPass({ bed, use, mow }: { bed: Bed; use: LastingUse; mow: Mowing | undefined }) {
  const { ground, today, garden, hands, run } = useGarden();
  const { units } = garden;
  const imperial = units.mass === 'imperial';
  const grown_kg = mow ? (mow.now.dm_g_m2.mid * bed.area_m2) / 1000 / MOVED.grass.dry : 0;
  const fresh_kg = grown_kg < LEAST_KG ? undefined : Number(grown_kg.toFixed(1));
  const deeds = DEEDS_OF[use];
  const takes = deeds.some((kind) => TAKES.includes(kind));
  const form = useKeptForm(
    `strip-pass ${bed.id}`,
    passForm(imperial),
    { kind: deeds[0]!, minutes: '', goes: LEFT, weight: '' },
    ({ kind, minutes, goes, weight }) => {
      const kg = weight === undefined ? fresh_kg : weight / 1000;
      return run(
        logStrip(hands, bed, {
          kind,
          on: today,
          ...(minutes === undefined ? {} : { minutes }),
          ...(goes !== LEFT && TAKES.includes(kind) && kg
            ? { took_kg: kg, ...(goes === OFF ? {} : { to: goes }) }
            : {}),
        }),
      );
    },
    ['goes'],
  );
  if (!form) return null;
  const others = ground.filter((b) => b.id !== bed.id && b.piece?.use !== 'path');
  return (
    <form className="mt-3" onSubmit={form.onSubmit}>
      {fresh_kg !== undefined && (
        <p>
          Mown today, about {carriedMass(fresh_kg, units)} of clippings come off, with{' '}
          {showMass(mow!.now.n_g_m2 * bed.area_m2, units)} of nitrogen in them.
        </p>
      )}
      <div className="mt-3 flex flex-wrap items-start gap-3">
        <TextField label="Minutes it took" decimal {...form.field('minutes')} />
        {takes && (
          <SelectField
            label={use === 'path' ? 'Clippings' : 'What is cut off'}
            options={[
              [LEFT, 'Left to lie'],
              ...others.map((b) => [b.id, `Onto ${b.name}`] as const),
              [OFF, 'Carried off the beds'],
            ]}
            {...form.field('goes')}
          />
        )}
        {takes && form.typed.goes !== LEFT && (
          <TextField
            label={`Weighed fresh, ${imperial ? 'lb' : 'kg'}`}
            {...(fresh_kg === undefined ? {} : { hint: `else about ${carriedMass(fresh_kg, units)}` })}
            {...form.field('weight')}
          />
        )}
      </div>
      <div className="mt-3 flex flex-wrap gap-3">
        {deeds.map((kind) => (
          <button key={kind} type="submit" className="btn" onClick={() => form.set({ kind })}>
            {DEED_WORDS[kind].done} today
          </button>
        ))}
      </div>
    </form>
  );
}

/** Everything that was done to a strip, the newest first, each with what it took off. */
export function StripPasses({ bed, life, mow }: { bed: Bed; life: Life; mow: Mowing | undefined }) {
  const { beds, garden, hands, run } = useGarden();
  if (life.done.length === 0) return null;
  const took = (d: StripPass): string => {
    if (d.took_kg !== undefined) {
      const to = beds.find((b) => b.id === d.to)?.name;
      return `: ${carriedMass(d.took_kg, garden.units)} ${to ? `onto ${to}` : 'carried off'}`;
    }
    const pass = d.kind === 'mow' && mow?.passes.find((p) => p.on === dayOf(d.on));
    return pass && pass.dm_g_m2.mid >= LEAST_G_M2
      ? `, ${Math.round(pass.height_cm.mid)} cm high: ${showPerArea(pass.dm_g_m2.mid, garden.units)} dry left to lie`
      : '';
  };
  return (
    <>
      {mow && mow.passes.length > 0 && (
        <Suspense fallback={null}>
          <SwardChart mow={mow} />
        </Suspense>
      )}
      <ul className="mt-3" aria-label="Done to it">
        {[...life.done].reverse().map((d) => (
          <li
            key={`${d.kind}${d.on}`}
            className="border-linen flex flex-wrap items-center gap-3 border-t py-1"
          >
            <span>
              {DEED_WORDS[d.kind].done} {showIsoYear(d.on)}
              {d.minutes !== undefined && `, ${d.minutes} min`}
              {took(d)}
            </span>
            <button
              type="button"
              className="btn btn-ghost btn-xs ml-auto"
              aria-label={`Take away: ${DEED_WORDS[d.kind].done} ${showIsoYear(d.on)}`}
              onClick={() => void run(unlogStrip(hands, bed, d))}
            >
              Take away
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}

import { lazy, Suspense, useState } from 'react';
import { dayOf } from '../../core/calendar/day.ts';
import {
  DEEDS_OF,
  type LastingUse,
  type StripLife as Life,
  type StripDeed,
  type StripPass,
  TAKES,
} from '../../core/strips/life.ts';
import { type Mowing } from '../../core/strips/mowing.ts';
import { showMass, showPerArea } from '../../core/units/show.ts';
import { MOVED } from '../../core/years/ledger.ts';
import { logStrip, unlogStrip } from '../../records/commands/strips.ts';
import type { Bed } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { showIsoYear } from '../../ui/dates.ts';
import { SelectField, TextField } from '../../ui/fields.tsx';
import { carriedMass } from '../../ui/movedWords.ts';
import { DEED_WORDS } from '../../ui/stripWords.ts';

const SwardChart = lazy(() => import('./SwardChart.tsx'));

const LEFT = 'left';
const OFF = 'off';

/** Kilograms as they are typed, with a comma or a point; undefined where none stand there. */
const typed = (text: string): number | undefined => {
  const n = Number(text.replace(',', '.'));
  return text.trim() !== '' && n >= 0 ? n : undefined;
};

/** What was done to a strip today, with the minutes it took and where what came off went. */
export function LogPass({ bed, use, mow }: { bed: Bed; use: LastingUse; mow: Mowing | undefined }) {
  const { beds, today, garden, hands, run } = useGarden();
  const [minutes, setMinutes] = useState('');
  const [goes, setGoes] = useState<string>(LEFT);
  const [kg, setKg] = useState('');
  const fresh_kg = mow ? (mow.now.dm_g_m2.mid * bed.area_m2) / 1000 / MOVED.grass.dry : undefined;
  const usual = fresh_kg === undefined ? '' : fresh_kg.toFixed(1);
  const takes = DEEDS_OF[use].some((kind) => TAKES.includes(kind));
  const others = beds.filter((b) => b.id !== bed.id && b.piece?.use !== 'path');
  const log = (kind: StripDeed) => {
    const spent = typed(minutes);
    const carried = takes && goes !== LEFT && TAKES.includes(kind) ? typed(kg || usual) : undefined;
    const pass: StripPass = {
      kind,
      on: today,
      ...(spent === undefined ? {} : { minutes: spent }),
      ...(carried ? { took_kg: carried, ...(goes === OFF ? {} : { to: goes }) } : {}),
    };
    void run(logStrip(hands, bed, pass)).then((done) => {
      if (!done) return;
      setMinutes('');
      setKg('');
    });
  };
  return (
    <>
      {mow && mow.now.dm_g_m2.mid > 0 && (
        <p className="mt-2">
          Mown today, about {carriedMass(fresh_kg!, garden.units)} of clippings come off, with{' '}
          {showMass(mow.now.n_g_m2 * bed.area_m2, garden.units)} of nitrogen in them.
        </p>
      )}
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <TextField label="Minutes it took" value={minutes} onChange={setMinutes} decimal />
        {takes && (
          <SelectField
            label={use === 'path' ? 'Clippings' : 'What is cut off'}
            value={goes}
            options={[
              [LEFT, 'Left to lie'],
              ...others.map((b) => [b.id, `Onto ${b.name}`] as const),
              [OFF, 'Carried off the beds'],
            ]}
            onChange={setGoes}
          />
        )}
        {takes && goes !== LEFT && (
          <TextField label="Kilograms, fresh" value={kg || usual} onChange={setKg} decimal />
        )}
      </div>
      <div className="mt-3 flex flex-wrap gap-3">
        {DEEDS_OF[use].map((kind) => (
          <button key={kind} type="button" className="btn" onClick={() => log(kind)}>
            {DEED_WORDS[kind].done} today
          </button>
        ))}
      </div>
    </>
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
    return pass
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

import { litresFor, minutesFor } from '../../core/watering/watering.ts';
import { showRain, showVolume } from '../../core/units/show.ts';
import { sownArea_m2 } from '../../questions/weights.ts';
import { logWatering } from '../../records/commands/water.ts';
import type { Bed, Cover } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useWater } from '../../ring/useWater.ts';
import { showIso } from '../../ui/dates.ts';

/** Water until the seed is up: millimetres and minutes today, or nothing; rain that is recorded takes it off by itself. */
export function WaterNow({ cover, bed }: { cover: Cover; bed: Bed }) {
  const { garden, today, hands, run } = useGarden();
  const answer = useWater(cover);
  if (!answer) return null;
  const { units, watering } = garden;
  const area = sownArea_m2(cover, bed);
  const litres = litresFor(answer.mm, area);
  const minutes = watering ? Math.max(1, Math.round(minutesFor(answer.mm, area, watering.flow_l_min))) : null;
  const done = cover.waterings.filter((w) => w.on === today).reduce((s, w) => s + w.mm, 0);
  const wet = Math.round(answer.wet * 100);
  return (
    <section aria-label="Water until it is up" className="mt-4 max-w-2xl">
      <h2 className="font-display text-xl font-bold">
        {answer.verdict === 'water'
          ? `Water today: ${showRain(answer.mm, units)}`
          : answer.verdict === 'rain-comes'
            ? 'Rain comes: leave the hose'
            : 'Moist enough: look tomorrow'}
      </h2>
      <p>
        {answer.verdict === 'water' && (
          <>
            <b>{showVolume(litres, units)}</b>
            {minutes !== null && `, ${minutes} ${minutes === 1 ? 'minute' : 'minutes'} with your water`}.{' '}
          </>
        )}
        {answer.verdict === 'rain-comes' &&
          `About ${showRain(answer.rainAhead_mm, units)} today and tomorrow. Look again when it has passed. `}
        The seed bed holds {wet} % of the water it can, after what rained, dried and was watered
        {done > 0 && `, ${showRain(done, units)} of it today`}.
      </p>
      {cover.waterings.length > 0 && (
        <p className="text-bark text-sm">
          Watered{' '}
          {cover.waterings
            .slice(-5)
            .map((w) => `${showIso(w.on)} ${showRain(w.mm, units)}`)
            .join(', ')}
          .
        </p>
      )}
      <button
        type="button"
        className={`btn mt-1 ${answer.verdict === 'water' ? 'btn-primary' : ''}`}
        onClick={() => void run(logWatering(hands, cover, { on: today, mm: answer.mm }))}
      >
        Log {showRain(answer.mm, units)} watered today
      </button>
    </section>
  );
}

import { dayOf } from '../../core/calendar/day.ts';
import { showRain, showVolume } from '../../core/units/show.ts';
import { type WaterThrough } from '../../core/watering/through.ts';
import { litresFor, minutesFor } from '../../core/watering/watering.ts';
import { sownArea_m2 } from '../../questions/weights.ts';
import { logWatering } from '../../records/commands/water.ts';
import type { Bed, Cover } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { showDay, showSpan } from '../../ui/dates.ts';

/** When a cover that is watered through dry weeks wants water next, how much that is, and how often until it is ended. */
export function WaterNext({ cover, bed, waters }: { cover: Cover; bed: Bed; waters: WaterThrough }) {
  const { garden, today, hands, run } = useGarden();
  const { units, watering } = garden;
  const { next, times, mm } = waters;
  const area = sownArea_m2(cover, bed);
  const each = [
    showVolume(litresFor(mm, area), units),
    ...(watering
      ? [`${Math.max(1, Math.round(minutesFor(mm, area, watering.flow_l_min)))} minutes with your water`]
      : []),
  ].join(', ');
  const due = next.mid <= dayOf(today);
  const often = Math.round(times.mid);
  return (
    <section aria-label="Water through dry weeks" className="mt-4 max-w-2xl">
      <h2 className="font-display text-xl font-bold">
        {!Number.isFinite(next.mid)
          ? 'Rain is likely to do: look when leaves hang'
          : due
            ? `Water today: ${showRain(mm, units)}`
            : `Water next about ${showDay(Math.round(next.mid))}: ${showRain(mm, units)}`}
      </h2>
      {Number.isFinite(next.mid) && (
        <p>
          <b>{each}</b>.{' '}
          {!due && Number.isFinite(next.high) && `In most years ${showSpan(next.low, next.high)}. `}
          {often > 1 &&
            `Some ${often} times until it is ended, ${showRain(often * mm, units)} and ${showVolume(litresFor(often * mm, area), units)} in all; rain that is recorded takes off by itself.`}
        </p>
      )}
      <button
        type="button"
        className={`btn mt-1 ${due ? 'btn-primary' : ''}`}
        onClick={() => void run(logWatering(hands, cover, { on: today, mm }))}
      >
        Log {showRain(mm, units)} watered today
      </button>
    </section>
  );
}

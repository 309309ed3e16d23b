import { type Day } from '../../core/calendar/day.ts';
import { lazy, Suspense } from 'react';
import { feeds } from '../../catalogue/catalogue.ts';
import { type Feeding } from '../../core/plantBack/feeding.ts';
import { showMass, showPerArea, showVolume, type UnitChoice } from '../../core/units/show.ts';
import { showDay } from '../../ui/dates.ts';

const FeedingChart = lazy(() => import('./FeedingChart.tsx'));

/** A crop that lacks less than this finds enough. */
const ENOUGH_G_M2 = 0.5;
const BUCKET_L = 12;

/** What the bed gives the crop against what it takes, and the lack in feeds a gardener has. */
export function Shortfall({
  feeding,
  plantDay,
  crop,
  area_m2,
  units,
}: {
  feeding: Feeding;
  plantDay: Day;
  crop: string;
  area_m2: number;
  units: UnitChoice;
}) {
  const { short_g_m2: short, tiedUp_g_m2: tied } = feeding;
  const grams = short.mid * area_m2;
  const tiedNow = tied.mid > ENOUGH_G_M2;
  return (
    <section aria-labelledby="gives" className="mt-8">
      <h2 id="gives" className="font-display text-xl font-bold">
        What the bed gives {crop}
      </h2>
      <Suspense fallback={<p>Drawing…</p>}>
        <FeedingChart feeding={feeding} from={plantDay} crop={crop} units={units} />
      </Suspense>
      {short.mid < ENOUGH_G_M2 ? (
        <p className="mt-2 font-semibold">It finds enough: nothing to feed.</p>
      ) : (
        <>
          <p className="mt-2 max-w-2xl">
            <b>
              Short by {showPerArea(short.low, units)} to {showPerArea(short.high, units)} of nitrogen
            </b>
            {Number.isFinite(feeding.feltFrom_d) &&
              `, felt from about ${showDay(plantDay + feeding.feltFrom_d)}`}
            . For the middle of it, {showMass(grams, units)} of nitrogen on this bed, one of these:
          </p>
          <ul className="mt-1 max-w-2xl">
            {feeds.map((f) => {
              const amount = grams / f.free_g;
              return (
                <li key={f.id} className="border-linen border-t py-1">
                  <b>
                    {f.by === 'litre'
                      ? `${showVolume(Math.round(amount / 5) * 5, units)} (${Math.max(1, Math.round(amount / BUCKET_L))} buckets)`
                      : showMass(Math.round(amount / 10) * 10, units)}
                  </b>{' '}
                  of {f.name}, free {f.when}
                </li>
              );
            })}
          </ul>
        </>
      )}
      {tiedNow && (
        <p className="mt-2 max-w-2xl">
          What lies ties up {showPerArea(tied.mid, units)} at its worst. Quick feed set beside or under the
          row, not on the mulch, covers that.
        </p>
      )}
      <p className="text-bark mt-2 max-w-2xl text-sm">
        Feeds free what the label and the weather let them: these are middles. Where rules limit nitrogen,
        they come first.
      </p>
    </section>
  );
}

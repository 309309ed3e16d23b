import { Link } from 'react-router';
import { type Failure } from '../../core/result/result.ts';
import { showAreaImperial, showAreaMetric, showLength } from '../../core/units/show.ts';
import { changeGarden } from '../../records/commands/change.ts';
import { useGarden } from '../../ring/garden.tsx';
import { ClimateHere } from './ClimateHere.tsx';
import { ListsIn } from './ListsIn.tsx';
import { FromAbove } from './plan/FromAbove.tsx';
import { type Change } from './change.ts';
import { Rules } from './Rules.tsx';
import { SeasonWeather } from './SeasonWeather.tsx';
import { Things } from './Things.tsx';

/** The garden from above, its lists, things, house rules and climate. */
export default function GroundPage({ tell }: { tell(f: Failure): void }) {
  const { garden, beds, ground, hands, run } = useGarden();
  const change: Change = (label, patch, joins) =>
    void run(changeGarden(hands, garden.id, label, patch, joins));
  return (
    <main id="main" className="mx-auto w-full max-w-[84rem] px-4 py-6 sm:px-6">
      <h1 className="font-display text-2xl font-bold">{garden.name}, from above</h1>
      <div className="mt-3">
        <FromAbove />
      </div>
      <div className="border-warp mt-8 grid gap-8 border-t pt-5 lg:grid-cols-[minmax(0,1fr)_21rem]">
        <div className="min-w-0">
          <section aria-labelledby="beds-title">
            <h2 id="beds-title" className="font-display text-xl font-bold">
              All beds
            </h2>
            {beds.length === 0 && <p>No beds yet. Add the first one above, or bring a list in.</p>}
            <ul className="mt-2 grid gap-x-6 sm:grid-cols-2">
              {ground.map((b) => (
                <li key={b.id} className="border-linen flex flex-wrap items-baseline gap-x-3 border-t py-1.5">
                  <Link className="font-display font-bold underline" to={`/bed/${b.id}`}>
                    {b.name}
                  </Link>
                  <span>
                    {b.width_m && b.length_m
                      ? `${showLength(b.width_m, garden.units)} × ${showLength(b.length_m, garden.units)}, `
                      : ''}
                    {showAreaMetric(b.area_m2)}, {showAreaImperial(b.area_m2)}
                  </span>
                  <span className="text-bark">
                    {b.soil.texture}, {b.soil.fertility}
                    {b.block && `, ${b.block}`}
                  </span>
                </li>
              ))}
            </ul>
          </section>
          <ListsIn tell={tell} />
          <ClimateHere />
          <SeasonWeather />
          <Things garden={garden} change={change} newId={hands.newId} />
        </div>
        <aside className="border-linen lg:border-l lg:pl-6">
          <Rules garden={garden} beds={beds} change={change} />
        </aside>
      </div>
    </main>
  );
}

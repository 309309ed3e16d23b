import { type Day } from '../../core/calendar/day.ts';
import { movePlanting } from '../../records/commands/change.ts';
import { Link } from 'react-router';
import { methods } from '../../catalogue/catalogue.ts';
import { type AimStrands } from '../../core/aims/aims.ts';
import { keptWorth } from '../../core/plan/endings.ts';
import { type EndingAnswer } from '../../core/plan/answers.ts';
import type { Cover, Planting } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { showDay } from '../../ui/dates.ts';
import { Odds } from '../../ui/parts.tsx';

interface Props {
  cover: Cover;
  /** As things go if nothing more is done. */
  asItStands: EndingAnswer;
  /** Ways that can be done here from today on. */
  ways: EndingAnswer[];
  aims: AimStrands[];
  plantDay: Day;
  next: Planting | undefined;
  choose(e: EndingAnswer): void;
}

const MOST_WAYS = 3;
/** Odds under which a way is not worth naming beside others. */
const WORTH_NAMING = 0.05;

/** A cover that did not die: treat it again, plant among it, or plant later, each with its odds. */
export function WhatNow({ cover, asItStands, ways, aims, plantDay, next, choose }: Props) {
  const again = [...ways]
    .sort((a, b) => keptWorth(b, aims) - keptWorth(a, aims))
    .filter((e) => e.odds.inTime >= WORTH_NAMING)
    .slice(0, MOST_WAYS);
  const soonest = [...ways].sort((a, b) => a.readyMostly - b.readyMostly)[0];
  const nameOf = (e: EndingAnswer) => methods.find((m) => m.id === e.method)!.name;
  return (
    <section aria-labelledby="what-now" className="mt-6">
      <h2 id="what-now" className="font-display text-xl font-bold">
        What now?
      </h2>
      <ul className="mt-1 max-w-2xl">
        {again.map((e, i) => (
          <li key={e.method} className="border-linen grid gap-x-4 border-t py-3 sm:grid-cols-[1fr_8rem]">
            <div>
              <h3 className="font-bold">
                {nameOf(e)} on {showDay(e.startDay)}
              </h3>
              <p>
                {Number.isFinite(e.ready.mid)
                  ? `Dead about ${showDay(e.dead.mid)}, out of the way about ${showDay(e.ready.mid)}.`
                  : 'In most years some would live on.'}
              </p>
              <button
                type="button"
                className={`btn mt-1 ${i === 0 ? 'btn-primary' : ''}`}
                onClick={() => choose(e)}
              >
                Do this: {nameOf(e).toLowerCase()}
              </button>
            </div>
            <Odds odds={e.odds.inTime} strong />
          </li>
        ))}
        <li className="border-linen grid gap-x-4 border-t py-3 sm:grid-cols-[1fr_8rem]">
          <div>
            <h3 className="font-bold">Plant anyway on {showDay(plantDay)}</h3>
            <p>
              About {Math.max(1, Math.round(asItStands.surviving * 10))} of 10 plants would grow on among the
              crop; cut them at the ground by hand as they show, before they seed.
            </p>
            <Link className="btn mt-1" to={`/cover/${cover.id}/plant`}>
              To planting back
            </Link>
          </div>
          <Odds odds={asItStands.odds.inTime} strong />
        </li>
        {next && soonest && soonest.readyMostly > plantDay && (
          <li className="border-linen border-t py-3">
            <PlantLater
              next={next}
              plantDay={plantDay}
              ready={soonest.readyMostly}
              how={`With ${nameOf(soonest).toLowerCase()} on ${showDay(soonest.startDay)}`}
            />
          </li>
        )}
      </ul>
    </section>
  );
}

/** The day by which the bed is ready in eight years of ten, and planting moved to it in one tap. */
export function PlantLater({
  next,
  plantDay,
  ready,
  how,
}: {
  next: Planting;
  plantDay: Day;
  ready: number;
  how: string;
}) {
  const { hands, run } = useGarden();
  if (!Number.isFinite(ready)) return null;
  const day = Math.ceil(ready);
  return (
    <>
      <h3 className="font-bold">Plant later, on {showDay(day)}</h3>
      <p>{how} the bed is ready by then in 8 years of 10.</p>
      <button
        type="button"
        className="btn mt-1"
        onClick={() => void run(movePlanting(hands, next, day - plantDay))}
      >
        Move planting to {showDay(day)}
      </button>
    </>
  );
}

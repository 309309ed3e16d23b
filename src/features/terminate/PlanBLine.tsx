import { capital } from '../../ui/text.ts';
import { methods } from '../../catalogue/catalogue.ts';
import { type PlanB, type Trigger } from '../../core/work/planB.ts';
import { type Day } from '../../core/calendar/day.ts';
import { showRain, type UnitChoice } from '../../core/units/show.ts';
import { showDay } from '../../ui/dates.ts';

interface Props {
  planB: PlanB;
  plantDay: Day;
  today: Day;
  units: UnitChoice;
}

const WHEN: Record<Trigger, string> = {
  'no-frost': 'frost has not killed it: green at more than one crown in ten',
  'no-heat': 'heat has not killed it: green at more than one crown in ten',
  'not-ripe': 'no seed is ripe',
  'not-in-flower': 'it is not in flower, so that a board would only bend it',
  'green-under': 'there is still green under a corner of it',
  'ground-unfit': 'the ground has not been fit to turn',
  'green-crowns': 'more than one crown in ten is green',
};

/** The other way: what says that it must be taken, on which day, and until when it can be begun. */
export function PlanBLine({ planB, plantDay, today, units }: Props) {
  const name = methods.find((m) => m.id === planB.method)!.name.toLowerCase();
  const tooLate = planB.latest < today;
  if (!planB.fits && !tooLate)
    return (
      <p className="mt-3 max-w-2xl">
        <b>No plan B fits in after the looks.</b> Should it live, plant later or larger. {capital(name)}{' '}
        instead would have to begin by <b>{showDay(planB.latest)}</b>; it is ready in{' '}
        {Math.round(planB.odds * 100)} years of 100.
      </p>
    );
  return (
    <div className="mt-3 max-w-2xl">
      <h3 className="font-display text-lg font-bold">Plan B: {name}</h3>
      {tooLate ? (
        <p>
          It takes {planB.takes_d} days here and would have had to begin by {showDay(planB.latest)}: for
          planting on {showDay(plantDay)} it is too late.
        </p>
      ) : (
        <p>
          Look on <b>{showDay(planB.decideOn)}</b>. If {WHEN[planB.trigger]}, change over. It takes{' '}
          {planB.takes_d} days here and must begin by <b>{showDay(planB.latest)}</b> for planting on{' '}
          {showDay(plantDay)}; begun in time it is ready in {Math.round(planB.odds * 100)} years of 100.
        </p>
      )}
      {planB.rained_mm > 0 && (
        <p>
          {showRain(planB.rained_mm, units)} of rain came within three days: what lay there may have rooted or
          risen again. Look now, and do not count on the first pass.
        </p>
      )}
    </div>
  );
}

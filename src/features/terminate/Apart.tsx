import { speciesOf } from '../../catalogue/catalogue.ts';
import { type Day } from '../../core/calendar/day.ts';
import { type LastWeeks } from '../../core/plan/lastWeeks.ts';
import { showPerArea, type UnitChoice } from '../../core/units/show.ts';
import { SCHOOLS } from '../../core/termination/schools.ts';
import { changeGarden } from '../../records/commands/change.ts';
import { useGarden } from '../../ring/garden.tsx';
import { SCHOOL_WORDS } from '../../ui/schoolWords.ts';
import { showDay } from '../../ui/dates.ts';
import { Odds } from '../../ui/parts.tsx';

interface Props {
  last: LastWeeks;
  plantDay: Day;
  units: UnitChoice;
}

const AFTERWARDS = {
  time: (plantDay: Day) => `after it the bed is more and more often not ready by ${showDay(plantDay)}`,
  seed: () => 'after it seed may ripen and fall',
  stage: () => 'after it more plants outlive the blade',
  aims: () => 'after it the aims are served less',
  planting: () => 'it is the eve of planting',
} as const;

/** The way put forward now, on its best day and on the last sensible one, each with the reason. */
export function NowOrLater({ last, plantDay, units }: Props) {
  const t = last.timing;
  if (!t) return null;
  const of100 = (x: number) => `${Math.round(x * 100)} in 100 in time`;
  const gain = t.best.nitrogen_g_m2.mid - t.now.nitrogen_g_m2.mid;
  const mulch = t.best.residue_g_m2.mid - t.now.residue_g_m2.mid;
  const waiting =
    t.best.startDay === t.now.startDay
      ? 'nothing is won by waiting'
      : [
          Math.abs(gain) >= 0.3 &&
            `${showPerArea(Math.abs(gain), units)} ${gain > 0 ? 'more' : 'less'} nitrogen`,
          Math.abs(mulch) >= 20 &&
            `${showPerArea(Math.abs(mulch), units)} ${mulch > 0 ? 'more' : 'less'} mulch`,
          t.best.surviving < t.now.surviving - 0.03 &&
            `${Math.round((t.now.surviving - t.best.surviving) * 100)} of 100 plants more killed`,
        ]
          .filter(Boolean)
          .join(', ') || 'little else changes';
  return (
    <dl className="border-warp mt-4 grid gap-x-6 gap-y-1 border-t pt-3 sm:grid-cols-3">
      <div>
        <dt className="text-bark">Today</dt>
        <dd>
          <b className="font-display text-lg">{showDay(t.now.startDay)}</b>, {of100(t.now.odds.inTime)}
        </dd>
      </div>
      <div>
        <dt className="text-bark">Best for your aims</dt>
        <dd>
          <b className="font-display text-lg">{showDay(t.best.startDay)}</b>, {of100(t.best.odds.inTime)};
          against today {waiting}
        </dd>
      </div>
      <div>
        <dt className="text-bark">No later than</dt>
        <dd>
          <b className="font-display text-lg">{showDay(t.latest.startDay)}</b>, {of100(t.latest.odds.inTime)};{' '}
          {AFTERWARDS[t.afterwards](plantDay)}
        </dd>
      </div>
    </dl>
  );
}

/** Members that ripen apart: by the first, by the last, in two steps, with what each brings; and bloom left for bees in thirds. */
export function Apart({ last, units, stagger }: Omit<Props, 'plantDay'> & { stagger: string | undefined }) {
  const { garden, hands, run } = useGarden();
  const words = SCHOOL_WORDS.stagger;
  return (
    <>
      {last.apart.length > 0 && (
        <section className="border-warp mt-4 border-t pt-3" aria-label="Members that ripen apart">
          <h3 className="font-display text-lg font-bold">They do not ripen together</h3>
          <ul className="grid gap-x-6 sm:grid-cols-3">
            {last.apart.map((a) => {
              const name = speciesOf(a.speciesId).name.toLowerCase();
              return (
                <li key={a.id} className="border-linen border-t py-2">
                  <h4 className="font-bold">
                    {a.id === 'two-stages'
                      ? `Trim high when the ${name} flowers, ${showDay(a.day)}; cut all ${showDay(a.then!)}`
                      : `Cut when the ${name} flowers, ${showDay(a.day)}`}
                  </h4>
                  <Odds odds={a.ending.odds.inTime} />
                  <p>
                    {showPerArea(a.ending.nitrogen_g_m2.mid, units)} nitrogen,{' '}
                    {showPerArea(a.ending.residue_g_m2.mid, units)} mulch;{' '}
                    {Math.round(a.ending.surviving * 100)} of 100 plants would live
                  </p>
                </li>
              );
            })}
          </ul>
        </section>
      )}
      {last.thirds.length > 0 && stagger !== 'one-day' && (
        <section className="border-warp mt-4 border-t pt-3" aria-label="Bloom for bees in thirds">
          <h3 className="font-display text-lg font-bold">Bloom for bees, in thirds</h3>
          <p className="max-w-2xl">
            Cut strips across the bed so that some always flowers; before bees fly or towards dark, never at
            midday.
          </p>
          <ol className="grid gap-x-6 sm:grid-cols-3">
            {last.thirds.map((t, i) => (
              <li key={i} className="border-linen border-t py-2">
                <b>
                  {['First', 'Second', 'Last'][i]} third: no later than {showDay(t.day)}
                </b>
                <Odds odds={t.ending.odds.inTime} />
              </li>
            ))}
          </ol>
          {stagger === undefined && (
            <div className="mt-2 flex flex-wrap items-baseline gap-2">
              <b>{words.question}</b>
              {SCHOOLS.stagger.sides.map((side) => (
                <button
                  key={side}
                  type="button"
                  className="btn btn-sm"
                  title={words.sides[side]![1]}
                  onClick={() =>
                    void run(
                      changeGarden(hands, garden.id, 'a house rule', (g) => ({
                        choices: { ...g.choices, stagger: side },
                      })),
                    )
                  }
                >
                  {words.sides[side]![0]}
                </button>
              ))}
            </div>
          )}
        </section>
      )}
    </>
  );
}

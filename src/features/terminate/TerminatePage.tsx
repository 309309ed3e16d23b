import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { cautions, coverName, methods } from '../../catalogue/catalogue.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { type EndingAnswer } from '../../core/plan/plan.ts';
import { datedPasses } from '../../core/plan/passes.ts';
import { showPerArea } from '../../core/units/show.ts';
import { methodsHere, plantBackDay } from '../../ring/asked.ts';
import { useCover, useForecast } from '../../ring/useForecast.ts';
import { saveCover } from '../../records/verbs/verbs.ts';
import type { Cover } from '../../records/types.ts';
import { showDay, showIso, showIsoYear, showSpan } from '../../ui/dates.ts';
import { PASS_WORDS, stageWord } from '../../ui/methodWords.ts';
import { Answer, Field, Odds, Page } from '../../ui/parts.tsx';
import { Steps } from '../../ui/Steps.tsx';

/** Ways to end this cover side by side for this planting day; the chosen one becomes dated steps and a look afterwards. */
export default function TerminatePage() {
  const { cover, bed, garden, plantings, today, hands, run } = useCover(useParams().coverId);
  const { forecast } = useForecast(cover);
  if (!cover || !bed) return <p className="p-6">This cover is not in the garden.</p>;
  const plantDay = plantBackDay(cover, plantings);
  const here = methodsHere(garden);
  const begun = cover.passes.some((p) => p.doneOn);
  const chosen = forecast?.endings.find((e) => e.method === cover.method);
  const choose = (e: EndingAnswer) => {
    const method = methods.find((m) => m.id === e.method)!;
    void run(
      saveCover(
        hands,
        { ...cover, method: method.id, passes: datedPasses(method.passes, e, plantDay) },
        'choose-ending',
        `ending by ${method.name.toLowerCase()}`,
      ),
    );
  };
  const entry = methods.find((m) => m.id === cover.method);
  const shown = (forecast?.settled?.method === cover.method ? forecast.settled : chosen) ?? undefined;
  return (
    <div className="garden-touch">
      <Page
        title={`End the cover on bed ${bed.name}`}
        lead={`${coverName(cover.parts)}; planting day ${showDay(plantDay)}`}
      >
        <Steps coverId={cover.id} bedId={bed.id} bedName={bed.name} />
        <Answer
          big={
            cover.verdict === 'dead'
              ? `Dead, seen ${showIsoYear(cover.endedOn!)}`
              : cover.passes[0]
                ? `${entry?.name ?? ''}, ${showIso(cover.passes.find((p) => !p.doneOn)?.due ?? cover.passes.at(-1)!.doneOn!)}`
                : 'Choose a way below'
          }
        >
          {shown &&
            `Out of the way by ${showDay(plantDay)} in ${Math.round(shown.odds.inTime * 100)} years of 100.`}
          {cover.method === 'sheet' &&
            ' Under a sheet it is heat that counts, not weeks: the fixed times growers quote are one curve at different temperatures.'}
        </Answer>
        {cover.passes.length > 0 && (
          <WorkPlan
            cover={cover}
            today={today}
            save={(c, label) => void run(saveCover(hands, c, 'ending', label))}
          />
        )}
        {entry && (
          <p className="mt-3 max-w-2xl">
            <b className="text-madder">Caution.</b> {cautions[entry.caution]} Local rules and licensed
            practice come first.
          </p>
        )}
        {cover.verdict === 'dead' && (
          <Link className="btn btn-primary mt-4" to={`/cover/${cover.id}/plant`}>
            To planting back
          </Link>
        )}
        {!begun && (
          <section className="mt-6">
            <h2 className="font-display text-xl font-bold">
              Ways to end it, for planting on {showDay(plantDay)}
            </h2>
            {!forecast && <p role="status">Growing 120 plausible years…</p>}
            <ul className="mt-2 grid gap-x-8 sm:grid-cols-2">
              {forecast?.endings.map((e) => {
                const m = methods.find((x) => x.id === e.method)!;
                const missing = here.find((h) => h.id === e.method)!.missing;
                const no = whyNot(e, plantDay, missing);
                return (
                  <li
                    key={e.method}
                    className={`border-warp border-t py-3 ${cover.method === e.method ? 'border-walnut border-t-4' : ''}`}
                  >
                    <h3 className="font-display text-lg font-bold">{m.name}</h3>
                    <p className="text-bark">{m.how}</p>
                    <div className="my-1 grid grid-cols-3 gap-3">
                      <div>
                        <span className="text-bark text-sm">In time</span>
                        <Odds odds={e.odds.inTime} strong />
                      </div>
                      <div>
                        <span className="text-bark text-sm">Begin</span>
                        <br />
                        {e.method === 'winterkill' ? 'by itself' : showSpan(e.windowDays[0], e.windowDays[1])}
                      </div>
                      <div>
                        <span className="text-bark text-sm">Dead by</span>
                        <br />
                        {showSpan(e.dead.low, e.dead.high)}
                      </div>
                    </div>
                    <p className="text-sm">
                      Leaves {showPerArea(e.residue_g_m2.mid, garden.units)} of residue and{' '}
                      {showPerArea(e.nitrogen_g_m2.mid, garden.units)} nitrogen;{' '}
                      {Math.round((e.minutesPer100m2 * bed.area_m2) / 100)} min of work;{' '}
                      {stageWord(e.stageAtStart)} by then.
                    </p>
                    {no && <p className="text-madder font-semibold">{no}</p>}
                    {missing.length === 0 && (
                      <button
                        type="button"
                        className="btn mt-1"
                        aria-pressed={cover.method === e.method}
                        onClick={() => choose(e)}
                      >
                        {cover.method === e.method
                          ? 'Work out its days again'
                          : `End it this way: ${m.name.toLowerCase()}`}
                      </button>
                    )}
                  </li>
                );
              })}
            </ul>
          </section>
        )}
      </Page>
    </div>
  );
}

function whyNot(e: EndingAnswer, plantDay: number, missing: string[]): string {
  if (missing.length > 0) return `Cannot be done: ${missing.join('; ')}.`;
  if (e.odds.inTime >= 0.5) return '';
  if (e.method === 'winterkill')
    return `Frost does not end it: alive on planting day in ${Math.round((1 - e.odds.dead) * 100)} years of 100.`;
  if (e.surviving > 0.1)
    return `Does not kill at this stage (${stageWord(e.stageAtStart)}): about ${Math.round(e.surviving * 100)} % of the plants would grow on.`;
  if (e.odds.noSeed < 0.5) return 'By then it has set seed.';
  const late = e.ready.mid - plantDay;
  return Number.isFinite(late) && late > 0
    ? `Too late: ready about ${showDay(e.ready.mid)}, ${Math.round(late)} days after planting day.`
    : 'Too late for planting day in most years.';
}

function WorkPlan({
  cover,
  today,
  save,
}: {
  cover: Cover;
  today: string;
  save(c: Cover, label: string): void;
}) {
  const [on, setOn] = useState(today);
  const next = cover.passes.findIndex((p) => !p.doneOn);
  const last = cover.passes.at(-1)!;
  const checkOn = last.doneOn && dayOf(last.doneOn) > dayOf(on) ? last.doneOn : on;
  return (
    <section aria-labelledby="work-plan">
      <h2 id="work-plan" className="font-display text-xl font-bold">
        Work plan
      </h2>
      {cover.verdict !== 'dead' && (
        <div className="max-w-xs">
          <Field label="Day it was done or seen">
            {(id) => (
              <input
                id={id}
                type="date"
                className="input"
                value={on}
                onChange={(e) => setOn(e.target.value)}
              />
            )}
          </Field>
        </div>
      )}
      <ol className="mt-1 max-w-2xl">
        {cover.passes.map((p, i) => (
          <li key={i} className="border-linen border-t py-2">
            <b>
              {i + 1}. {PASS_WORDS[p.kind]?.title ?? p.kind}
            </b>{' '}
            {p.doneOn ? (
              <span>done {showIsoYear(p.doneOn)}</span>
            ) : (
              <span className="text-bark">due {showIsoYear(p.due)}</span>
            )}
            <p>{PASS_WORDS[p.kind]?.how}</p>
            {i === next && cover.sownOn && (
              <button
                type="button"
                className="btn btn-primary mt-1"
                onClick={() =>
                  save(
                    { ...cover, passes: cover.passes.map((q, k) => (k === i ? { ...q, doneOn: on } : q)) },
                    PASS_WORDS[p.kind]?.title.toLowerCase() ?? p.kind,
                  )
                }
              >
                Log it done: {PASS_WORDS[p.kind]?.title.toLowerCase()}
              </button>
            )}
          </li>
        ))}
      </ol>
      {next === -1 && cover.verdict !== 'dead' && (
        <div className="mt-3">
          <h3 className="font-bold">The look afterwards</h3>
          <p className="max-w-2xl">
            Part the mat in five places. Dead crowns are brown, soft and pull out; white or green at the base
            grows on.
          </p>
          <div className="mt-2 flex flex-wrap gap-3">
            <button
              type="button"
              className="btn btn-primary"
              onClick={() => save({ ...cover, verdict: 'dead', endedOn: checkOn }, 'seeing it dead')}
            >
              It is dead
            </button>
            <button
              type="button"
              className="btn"
              onClick={() =>
                save(
                  {
                    ...cover,
                    verdict: 'regrew',
                    passes: [...cover.passes, { kind: 'cut', due: on, doneOn: null }],
                  },
                  'regrowth, one more cut',
                )
              }
            >
              Some grew again: add a cut
            </button>
          </div>
        </div>
      )}
    </section>
  );
}

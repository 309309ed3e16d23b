import { endingBegun } from '../../core/bed/timeline.ts';
import { Link, useParams } from 'react-router';
import { cautions, coverName, methods } from '../../catalogue/catalogue.ts';
import { USUAL_AIMS } from '../../core/aims/aims.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { datedPasses } from '../../core/plan/passes.ts';
import { type EndingAnswer } from '../../core/plan/plan.ts';
import { stepsAhead } from '../../core/plan/steps.ts';
import { plantBackDay } from '../../questions/cover.ts';
import { methodsHere } from '../../questions/methods.ts';
import { predictedOf } from '../../questions/predicted.ts';
import { PLAUSIBLE_YEARS } from '../../questions/years.ts';
import { chooseEnding } from '../../records/commands/ending.ts';
import type { Cover } from '../../records/types.ts';
import { useCover, useForecast } from '../../ring/useForecast.ts';
import { showDay, showIsoYear } from '../../ui/dates.ts';
import { PASS_WORDS } from '../../ui/methodWords.ts';
import { Answer, NoAnswer, Page } from '../../ui/parts.tsx';
import { readyWords } from '../../ui/readyWords.ts';
import { Steps } from '../../ui/Steps.tsx';
import { weekWords } from '../../ui/weekWords.ts';
import { Ways } from './Ways.tsx';
import { PlantLater, WhatNow } from './WhatNow.tsx';
import { WorkPlan } from './WorkPlan.tsx';

/** Ways to end this cover side by side for this planting day; the chosen one becomes dated steps, a look afterwards, and a way on when it lives. */
export default function TerminatePage() {
  const { cover, bed, garden, plantings, today, hands, run } = useCover(useParams().coverId);
  const { forecast, failure } = useForecast(cover);
  if (!cover || !bed) return <p className="p-6">This cover is not in the garden.</p>;
  const plantDay = plantBackDay(cover, plantings);
  const here = methodsHere(garden, bed);
  const next = plantings.find((p) => p.id === cover.nextPlantingId && !p.plantedOn);
  const begun = endingBegun(cover);
  const dead = cover.verdict === 'dead';
  const late = !begun && cover.sownOn !== null && cover.passes.some((p) => p.due < today);
  const aims = cover.aims.length > 0 ? cover.aims : USUAL_AIMS;
  const choose = (e: EndingAnswer) => {
    const method = methods.find((m) => m.id === e.method)!;
    const chosen = {
      method: method.id,
      passes: datedPasses(method.passes, e, plantDay),
      predicted: predictedOf(e, today),
    };
    const why = cover.verdict === 'regrew' ? 'grew-again' : late ? 'late' : 'chosen-anew';
    void run(chooseEnding(hands, cover, chosen, today, why, `ending by ${method.name.toLowerCase()}`));
  };
  const entry = methods.find((m) => m.id === cover.method);
  const chosen = forecast?.endings.find((e) => e.method === cover.method);
  const shown = forecast?.settled ?? chosen;
  const proposed = here.filter((h) => h.missing.length === 0 && h.proposed !== false).map((h) => h.id);
  const usable = forecast?.endings.filter((e) => proposed.includes(e.method));
  const ways = forecast && (
    <Ways
      endings={forecast.endings}
      here={here}
      chosen={begun ? '' : cover.method}
      aims={aims}
      plantDay={plantDay}
      area_m2={bed.area_m2}
      units={garden.units}
      choose={choose}
    />
  );
  const over = begun && cover.passes.every((p) => p.doneOn);
  const failing = !dead && over && shown && (cover.verdict === 'regrew' || shown.odds.dead < 0.5);
  const better =
    !begun && shown && forecast?.best && forecast.best.odds.inTime > shown.odds.inTime + BETTER_BY
      ? forecast.best
      : undefined;
  return (
    <div className="garden-touch">
      <Page
        title={`End the cover on bed ${bed.name}`}
        lead={`${coverName(cover.parts)}; planting day ${showDay(plantDay)}`}
      >
        <Steps coverId={cover.id} bedId={bed.id} bedName={bed.name} />
        <NoAnswer failure={failure} />
        <Answer big={headline(cover, entry?.name ?? '', shown, dayOf(today))}>
          {shown && readyWords(shown, plantDay)}
          {late && ' That is with the work begun today; the planned day has passed.'}
          {better && (
            <b>
              {' '}
              Better from here: {methods.find((m) => m.id === better.method)!.name.toLowerCase()} on{' '}
              {showDay(better.startDay)}, {Math.round(better.odds.inTime * 100)} of 100.
            </b>
          )}
          {!begun &&
            cover.method === 'sheet' &&
            ' Under a sheet it is heat that counts, not weeks: the fixed times growers quote are one curve at different temperatures.'}
        </Answer>
        {!begun && forecast?.settled && forecast.weeks.length > 0 && (
          <section className="mt-3 mb-5 max-w-2xl" aria-label="Another week">
            {forecast.weeks.map((w) => (
              <p key={w.days}>{weekWords(w, garden.units)}</p>
            ))}
          </section>
        )}
        {failing && usable && (
          <WhatNow
            cover={cover}
            asItStands={shown}
            ways={usable}
            aims={aims}
            plantDay={plantDay}
            next={next}
            choose={choose}
          />
        )}
        {begun && !dead && !failing && next && shown && shown.odds.inTime < 0.5 && (
          <section className="mb-5" aria-label="Planting later">
            <PlantLater next={next} plantDay={plantDay} ready={shown.readyMostly} how="As it stands" />
          </section>
        )}
        {cover.passes.length > 0 && <WorkPlan cover={cover} ending={shown} />}
        {entry && (
          <p className="mt-3 max-w-2xl">
            <b className="text-madder">Caution.</b> {entry.cautions.map((c) => cautions[c]).join(' ')} Local
            rules and licensed practice come first.
          </p>
        )}
        {dead && (
          <Link className="btn btn-primary mt-4" to={`/cover/${cover.id}/plant`}>
            To planting back
          </Link>
        )}
        {!begun && !dead && (
          <section className="mt-6">
            <h2 className="font-display text-xl font-bold">
              Ways to end it, for planting on {showDay(plantDay)}
            </h2>
            {!forecast && <p role="status">Growing {PLAUSIBLE_YEARS} plausible years…</p>}
            {ways}
          </section>
        )}
        {begun && !dead && ways && (
          <details className="mt-6">
            <summary className="cursor-pointer font-semibold">Another way from here</summary>
            {ways}
          </details>
        )}
        <Former cover={cover} />
      </Page>
    </div>
  );
}

/** Another way is named when it is out of the way in so many more years. */
const BETTER_BY = 0.1;

/** What is to be done next, in a line. */
function headline(cover: Cover, way: string, shown: EndingAnswer | undefined, today: number): string {
  if (cover.verdict === 'dead') return `Dead, seen ${showIsoYear(cover.endedOn!)}`;
  if (cover.passes.length === 0) return 'Choose a way below';
  const step = stepsAhead(cover.passes, shown, today)[0];
  if (!step) return cover.verdict === 'regrew' ? 'Some grew again' : 'Look whether it is dead';
  const title = PASS_WORDS[cover.passes[step.index]!.kind]?.title ?? way;
  if (endingBegun(cover)) return `${title}, ${showDay(step.due)}`;
  return step.late ? `${title}: overdue` : `${way}, ${showDay(step.due)}`;
}

const WHY = {
  'chosen-anew': 'chosen anew',
  'grew-again': 'it grew again',
  late: 'the day had passed',
} as const;

/** Plans that this cover had before. */
function Former({ cover }: { cover: Cover }) {
  if (cover.formerPlans.length === 0) return null;
  return (
    <details className="mt-4">
      <summary className="cursor-pointer">What was planned before</summary>
      <ul className="mt-1 max-w-2xl">
        {cover.formerPlans.map((f, i) => (
          <li key={i}>
            Until {showIsoYear(f.until)}:{' '}
            {(methods.find((m) => m.id === f.method)?.name ?? f.method).toLowerCase()}
            {f.due && `, next step ${showIsoYear(f.due)}`}; {WHY[f.why]}.
          </li>
        ))}
      </ul>
    </details>
  );
}

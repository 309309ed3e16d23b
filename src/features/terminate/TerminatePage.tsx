import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { cautions, coverTitle, methods } from '../../catalogue/catalogue.ts';
import { USUAL_AIMS } from '../../core/aims/aims.ts';
import { endingBegun } from '../../core/bed/timeline.ts';
import { type Day, dayOf } from '../../core/calendar/day.ts';
import { datedPasses } from '../../core/plan/passes.ts';
import { type EndingAnswer } from '../../core/plan/answers.ts';
import { stepsAhead } from '../../core/plan/steps.ts';
import { workPlan } from '../../core/work/workPlan.ts';
import { plantBackDay } from '../../questions/cover.ts';
import { choicesHere, methodsHere } from '../../questions/methods.ts';
import { predictedOf } from '../../questions/predicted.ts';
import { meanOfMonth, planBHere, workAsk } from '../../questions/work.ts';
import { PLAUSIBLE_YEARS } from '../../questions/years.ts';
import { chooseEnding } from '../../records/commands/ending.ts';
import type { Bed, Cover } from '../../records/types.ts';
import { leadOf } from '../../questions/cover.ts';
import { LearntLine } from '../../ring/LearntLine.tsx';
import { useGarden } from '../../ring/garden.tsx';
import { useCover, useForecast } from '../../ring/useForecast.ts';
import { useLastWeeks } from '../../ring/useLastWeeks.ts';
import { showDay, showIsoYear } from '../../ui/dates.ts';
import { PASS_WORDS } from '../../ui/methodWords.ts';
import { Answer, NoAnswer, Page } from '../../ui/parts.tsx';
import { readyWords } from '../../ui/readyWords.ts';
import { Steps } from '../../ui/Steps.tsx';
import { Apart, NowOrLater } from './Apart.tsx';
import { Lanes } from './Lanes.tsx';
import { LastWeeks } from './LastWeeks.tsx';
import { LooksThatProve } from './LooksThatProve.tsx';
import { Schools } from './Schools.tsx';
import { SidePlan } from './SidePlan.tsx';
import { type Hung, useHung } from './useHung.ts';
import { OtherStep } from './OtherStep.tsx';
import { PlanBLine } from './PlanBLine.tsx';
import { PlantLater, WhatNow } from './WhatNow.tsx';
import { WorkPlan } from './WorkPlan.tsx';

/** The last weeks of a cover: what waiting buys and the ways to end it side by side; the chosen one becomes dated steps, looks that prove it, and a way on when it lives. */
export default function TerminatePage() {
  const { cover, bed } = useCover(useParams().coverId);
  if (!cover || !bed) return <p className="p-6">This cover is not in the garden.</p>;
  return <TheLastWeeks key={cover.id} cover={cover} bed={bed} />;
}

function TheLastWeeks({ cover, bed }: { cover: Cover; bed: Bed }) {
  const { garden, plantings, covers, weather, today, hands, run } = useGarden();
  const { forecast, failure } = useForecast(cover);
  const plantDay = plantBackDay(cover, plantings);
  const here = useMemo(() => methodsHere(garden, bed), [garden, bed]);
  const next = plantings.find((p) => p.id === cover.nextPlantingId && !p.plantedOn);
  const begun = endingBegun(cover);
  const dead = cover.verdict === 'dead';
  const late = !begun && cover.sownOn !== null && cover.passes.some((p) => p.due < today);
  const { stagger } = choicesHere(garden, bed);
  const aims = useMemo(() => (cover.aims.length > 0 ? cover.aims : USUAL_AIMS), [cover.aims]);
  const { asked, last } = useLastWeeks(
    dead ? undefined : cover,
    forecast && (forecast.best?.method ?? ''),
    stagger === 'thirds',
  );
  // The way that is settled on hangs by its own days.
  const endings = useMemo(
    () =>
      forecast?.endings.map((e) =>
        !begun && forecast.settled?.method === e.method
          ? { ...forecast.settled, windowDays: e.windowDays }
          : e,
      ),
    [forecast, begun],
  );
  const ways = useHung(cover, bed, asked, endings, here, aims, last?.stages ?? NO_STAGES);
  const [picked, setPicked] = useState<string | null>(null);
  const settle = (e: EndingAnswer, passes = here.find((m) => m.id === e.method)!.passes) => {
    const chosen = {
      method: e.method,
      passes: datedPasses(passes, e, plantDay),
      predicted: predictedOf(e, today),
    };
    const why = cover.verdict === 'regrew' ? 'grew-again' : late ? 'late' : 'chosen-anew';
    const name = methods.find((m) => m.id === e.method)!.name.toLowerCase();
    void run(chooseEnding(hands, cover, chosen, today, why, `ending by ${name}`));
  };
  const choose = (h: Hung) => {
    const anew = forecast?.endings.find((e) => e.method === h.ending.method);
    settle(h.moved || !anew ? h.ending : anew, h.method.passes);
  };
  const entry = methods.find((m) => m.id === cover.method);
  const chosen = forecast?.endings.find((e) => e.method === cover.method);
  const shown = forecast?.settled ?? chosen;
  const usable = ways.hung.map((h) => h.ending);
  const mean_c = meanOfMonth(garden.site, shown?.startDay ?? dayOf(today));
  const planB = shown && planBHere(cover, shown, usable, aims, { plantDay, today, mean_c, weather });
  const over = begun && cover.passes.every((p) => p.doneOn);
  const failing = !dead && over && shown && (cover.verdict === 'regrew' || shown.odds.dead < 0.5);
  const better =
    !begun && shown && forecast?.best && forecast.best.odds.inTime > shown.odds.inTime + BETTER_BY
      ? forecast.best
      : undefined;
  const planned = here.find((m) => m.id === cover.method);
  const work =
    planned && shown
      ? workPlan(workAsk(garden, bed, cover, covers, planned, shown, last?.stages ?? NO_STAGES))
      : [];
  const showing = picked ?? (ways.hung.some((h) => h.method.id === cover.method) ? cover.method : '');
  const side = ways.hung.find((h) => h.method.id === showing) ?? ways.hung[0];
  const board = last && ways.best && (
    <div className="mt-2 grid gap-6 lg:grid-cols-[minmax(0,1fr)_18.5rem]">
      <div className="min-w-0">
        <LastWeeks
          ways={ways}
          parts={cover.parts}
          last={last}
          aims={aims}
          plantDay={plantDay}
          shown={side?.method.id ?? ''}
          show={setPicked}
        />
        {!begun && <NowOrLater last={last} plantDay={plantDay} units={garden.units} />}
        <Apart last={last} units={garden.units} stagger={stagger} />
        {side && asked && !begun && (
          <Lanes
            asked={asked}
            method={side.method.id}
            name={methods.find((m) => m.id === side.method.id)!.name}
            aims={aims}
            area_m2={bed.area_m2}
            units={garden.units}
          />
        )}
      </div>
      {side && (
        <aside className="border-linen lg:border-l lg:pl-5">
          <SidePlan
            hung={side}
            plantDay={plantDay}
            chosen={!begun && side.method.id === cover.method && !side.moved}
            choose={() => choose(side)}
          />
          {asked && <Schools hung={side} bed={bed} asked={asked} aim={aims[0]?.id ?? 'feed'} />}
        </aside>
      )}
    </div>
  );
  return (
    <div className="garden-touch">
      <Page
        wide
        title={`End the cover on bed ${bed.name}`}
        lead={`${coverTitle(cover)}; planting day ${showDay(plantDay)}`}
      >
        <Steps coverId={cover.id} bedId={bed.id} bedName={bed.name} />
        <NoAnswer failure={failure} />
        <LearntLine kind={leadOf(cover.parts)} method={cover.method} />
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
        </Answer>
        {failing && (
          <WhatNow
            cover={cover}
            asItStands={shown}
            ways={usable}
            aims={aims}
            plantDay={plantDay}
            next={next}
            choose={settle}
          />
        )}
        {begun && !dead && !failing && next && shown && shown.odds.inTime < 0.5 && (
          <section className="mb-5" aria-label="Planting later">
            <PlantLater next={next} plantDay={plantDay} ready={shown.readyMostly} how="As it stands" />
          </section>
        )}
        {!begun && !dead && (
          <section aria-label={`Ways to end it, for planting on ${showDay(plantDay)}`}>
            {!board && <p role="status">Growing {PLAUSIBLE_YEARS} plausible years…</p>}
            {board}
          </section>
        )}
        <div className="mt-5">
          {cover.passes.length > 0 && (
            <WorkPlan cover={cover} ending={shown} now={forecast} work={work} bed={bed.name} />
          )}
          {!dead && cover.sownOn && <OtherStep cover={cover} />}
          {!dead && cover.sownOn && (
            <LooksThatProve cover={cover} ending={shown} planB={planB} plantDay={plantDay} mean_c={mean_c} />
          )}
          {planB && !dead && cover.passes.length > 0 && cover.sownOn && (
            <PlanBLine planB={planB} plantDay={plantDay} today={dayOf(today)} units={garden.units} />
          )}
        </div>
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
        {begun && !dead && board && (
          <details className="mt-6">
            <summary className="cursor-pointer font-semibold">Another way from here</summary>
            {board}
          </details>
        )}
        <Former cover={cover} />
      </Page>
    </div>
  );
}

const NO_STAGES: [] = [];

/** Another way is named when it is out of the way in so many more years. */
const BETTER_BY = 0.1;

/** What is to be done next, in a line. */
function headline(cover: Cover, way: string, shown: EndingAnswer | undefined, today: Day): string {
  if (cover.verdict === 'dead') return `Dead, seen ${showIsoYear(cover.endedOn!)}`;
  if (cover.passes.length === 0) return 'Choose a way below';
  const step = stepsAhead(cover.passes, shown, today)[0];
  if (!step) return cover.verdict === 'regrew' ? 'Some grew again' : 'Look whether it is dead';
  const title = PASS_WORDS[cover.passes[step.index]!.kind]?.title ?? way;
  if (endingBegun(cover)) return `${title}, ${showDay(step.due)}`;
  if (step.late) return `${title}: overdue`;
  // The day of a look is not the day of the frost.
  return cover.passes[step.index]!.kind.startsWith('check')
    ? `${way}; look on ${showDay(step.due)}`
    : `${way}, ${showDay(step.due)}`;
}

const WHY = {
  'chosen-anew': 'chosen anew',
  'grew-again': 'it grew again',
  late: 'the day had passed',
  shared: 'a thing was wanted elsewhere',
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

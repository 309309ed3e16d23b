import { Link, useParams } from 'react-router';
import { cautions, coverTitle, methods } from '../../catalogue/catalogue.ts';
import { endingBegun } from '../../core/bed/timeline.ts';
import { type Day } from '../../core/calendar/day.ts';
import { type EndingAnswer } from '../../core/plan/answers.ts';
import { stepsAhead } from '../../core/plan/steps.ts';
import { leadOf } from '../../questions/cover.ts';
import { PLAUSIBLE_YEARS } from '../../questions/years.ts';
import type { Bed, Cover } from '../../records/types.ts';
import { LearntLine } from '../../ring/LearntLine.tsx';
import { useCover } from '../../ring/useForecast.ts';
import { showDay, showIsoYear } from '../../ui/dates.ts';
import { PASS_WORDS } from '../../ui/methodWords.ts';
import { Answer, NoAnswer, Page } from '../../ui/parts.tsx';
import { readyWords } from '../../ui/readyWords.ts';
import { Steps } from '../../ui/Steps.tsx';
import { Board } from './Board.tsx';
import { LooksThatProve } from './LooksThatProve.tsx';
import { OtherStep } from './OtherStep.tsx';
import { PlanBLine } from './PlanBLine.tsx';
import { type EndingHere, useEnding } from './useEnding.ts';
import { PlantLater, WhatNow } from './WhatNow.tsx';
import { WorkPlan } from './WorkPlan.tsx';

/** The last weeks of a cover: what waiting buys and the ways to end it side by side; the chosen one becomes dated steps, looks that prove it, and a way on when it lives. */
export default function TerminatePage() {
  const { cover, bed } = useCover(useParams().coverId);
  if (!cover || !bed) return <p className="p-6">This cover is not in the garden.</p>;
  return <TheLastWeeks key={cover.id} cover={cover} bed={bed} />;
}

interface Part {
  cover: Cover;
  bed: Bed;
  at: EndingHere;
}

function TheLastWeeks({ cover, bed }: { cover: Cover; bed: Bed }) {
  const at = useEnding(cover, bed);
  const { begun, dead, plantDay, shown } = at;
  const entry = methods.find((m) => m.id === cover.method);
  const board = <Board cover={cover} bed={bed} at={at} />;
  const hangs = at.last !== undefined && at.ways.best !== undefined;
  return (
    <div className="garden-touch">
      <Page
        wide
        title={`End the cover on bed ${bed.name}`}
        lead={`${coverTitle(cover)}; planting day ${showDay(plantDay)}`}
      >
        <Steps coverId={cover.id} bedId={bed.id} bedName={bed.name} />
        <NoAnswer failure={at.failure} />
        <LearntLine kind={leadOf(cover.parts)} wayId={cover.wayId} method={cover.method} />
        <Answer big={headline(cover, entry?.name ?? '', shown, at.today)}>
          <HowItStands at={at} />
        </Answer>
        <WayOn cover={cover} at={at} />
        {!begun && !dead && (
          <section aria-label={`Ways to end it, for planting on ${showDay(plantDay)}`}>
            {!hangs && <p role="status">Growing {PLAUSIBLE_YEARS} plausible years…</p>}
            {board}
          </section>
        )}
        <ItsWork cover={cover} bed={bed} at={at} />
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
        {begun && !dead && hangs && (
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

/** How sure the way that is settled on is by now, and whether another has become better. */
function HowItStands({ at: { shown, plantDay, late, better } }: { at: EndingHere }) {
  return (
    <>
      {shown && readyWords(shown, plantDay)}
      {late && ' That is with the work begun today; the planned day has passed.'}
      {better && (
        <b>
          {' '}
          Better from here: {methods.find((m) => m.id === better.method)!.name.toLowerCase()} on{' '}
          {showDay(better.startDay)}, {Math.round(better.odds.inTime * 100)} of 100.
        </b>
      )}
    </>
  );
}

/** What to do when the work was done and it lives, or when planting day comes too soon for it. */
function WayOn({ cover, at }: Omit<Part, 'bed'>) {
  const { failing, shown, next, plantDay } = at;
  if (failing && shown)
    return (
      <WhatNow
        cover={cover}
        asItStands={shown}
        ways={at.usable}
        aims={at.aims}
        plantDay={plantDay}
        next={next}
        choose={at.settle}
      />
    );
  if (!at.begun || at.dead || !next || !shown || shown.odds.inTime >= 0.5) return null;
  return (
    <section className="mb-5" aria-label="Planting later">
      <PlantLater next={next} plantDay={plantDay} ready={shown.readyMostly} how="As it stands" />
    </section>
  );
}

/** The steps with their days, other work on it, the looks that prove it dead, and the second way. */
function ItsWork({ cover, bed, at }: Part) {
  const { dead, shown, planB, plantDay } = at;
  const stands = !dead && cover.sownOn !== null;
  return (
    <div className="mt-5">
      {cover.passes.length > 0 && (
        <WorkPlan cover={cover} ending={shown} now={at.forecast} work={at.work} bed={bed.name} />
      )}
      {stands && <OtherStep cover={cover} />}
      {stands && (
        <LooksThatProve cover={cover} ending={shown} planB={planB} plantDay={plantDay} mean_c={at.mean_c} />
      )}
      {planB && stands && cover.passes.length > 0 && (
        <PlanBLine planB={planB} plantDay={plantDay} today={at.today} units={at.garden.units} />
      )}
    </div>
  );
}

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

import { type ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { coverTitle, speciesOf, wayOf, unknownKinds } from '../../catalogue/catalogue.ts';
import { showMass } from '../../core/units/show.ts';
import { saveWalk, tickStep } from '../../records/verbs/seed.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { type Forecast } from '../../core/forecast/forecast.ts';
import type { Bed, Cover, Look, Walk } from '../../records/types.ts';
import { type SowToday } from '../../core/sowing/today.ts';
import { useGarden } from '../../ring/garden.tsx';
import { comingUp, sowTodayInput } from '../../questions/cover.ts';
import { seedNeeded, weightsOf } from '../../questions/weights.ts';
import { useCover, useForecast } from '../../ring/useForecast.ts';
import { useDraft } from '../../ring/useDraft.ts';
import { daysAhead, type ServiceForecast } from '../../ring/weatherService.ts';
import { showIsoYear, showSpan } from '../../ui/dates.ts';
import { Answer, NoAnswer, Page } from '../../ui/parts.tsx';
import { Steps } from '../../ui/Steps.tsx';
import { CountSeeds } from './CountSeeds.tsx';
import { EmergenceClock, Patch } from './EmergenceClock.tsx';
import { Checklist, SodRefused, Ways } from './Prepare.tsx';
import { RanOut } from './RanOut.tsx';
import { Throwing } from './Throwing.tsx';
import { Today } from './Today.tsx';
import { useSowToday } from './useSowToday.ts';
import { walkOf } from './walk.ts';
import { WaterIn } from './WaterIn.tsx';
import { WaterNext } from './WaterNext.tsx';
import { WaterNow } from './WaterNow.tsx';
import { WaterThrough } from './WaterThrough.tsx';
import { WriteDown } from './WriteDown.tsx';

/** In the garden: whether today is good, the steps in their order, and the record of what was really thrown. */
export default function SowPage() {
  const { cover, bed } = useCover(useParams().coverId);
  if (!cover || !bed) return <p className="p-6">This cover is not in the garden.</p>;
  return <Sow cover={cover} bed={bed} />;
}

interface OfBed {
  cover: Cover;
  bed: Bed;
}

function Sow({ cover, bed }: OfBed) {
  const { today } = useGarden();
  const { forecast, failure } = useForecast(cover);
  const day = useSowingDay(cover, bed);
  return (
    <div className="garden-touch">
      <Page title={`Sow bed ${bed.name}`} lead={coverTitle(cover)}>
        <Steps coverId={cover.id} bedId={bed.id} bedName={bed.name} />
        <NoAnswer failure={failure} />
        {cover.sownOn ? (
          <IsSown cover={cover} bed={bed} forecast={forecast} answer={day.answer} />
        ) : (
          <>
            <Today
              cover={cover}
              bed={bed}
              answer={day.answer}
              busy={day.busy}
              forecast={day.ahead}
              onForecast={day.setFetched}
              cropUntil={day.asked?.cropUntil}
            />
            {cover.sowOn > today && <p className="text-bark mt-1">Planned for {showIsoYear(cover.sowOn)}.</p>}
          </>
        )}
        <WaterThrough cover={cover} />
        <SowingSteps cover={cover} bed={bed} hottest_c={day.answer?.hottestNext10_c} />
      </Page>
    </div>
  );
}

/** Whether today is good for it, from the weather that was and the days ahead where they were fetched today. */
function useSowingDay(cover: Cover, bed: Bed) {
  const { garden, plantings, weather, today } = useGarden();
  const [fetched, setFetched] = useDraft<ServiceForecast | null>(`forecast ${garden.id}`, null);
  const ahead = fetched && fetched.from === today ? fetched : null;
  const asked =
    fetched !== undefined && unknownKinds(cover.parts).length === 0
      ? sowTodayInput(garden, bed, cover, plantings, weather, daysAhead(ahead, today), today)
      : undefined;
  return { ahead, setFetched, asked, ...useSowToday(asked, cover.id) };
}

/** What was sown, when it comes up and whether it has, and water while it does. */
function IsSown({
  cover,
  bed,
  forecast,
  answer,
}: OfBed & { forecast: Forecast | undefined; answer: SowToday | undefined }) {
  const { garden, looks, today } = useGarden();
  const up = seenUp(looks, cover.id);
  const used = cover.seed.map(
    (s) => `${showMass(s.used_g ?? 0, garden.units)} ${speciesOf(s.speciesId).name.toLowerCase()}`,
  );
  return (
    <>
      <Answer big={`Sown ${showIsoYear(cover.sownOn!)}`}>
        {used.join(', ')}. {forecast ? upWords(forecast) : 'Working out when it comes up…'}
      </Answer>
      {forecast && <EmergenceClock stages={forecast.stand.stages} today={today} seenUp={up} />}
      {coming(cover, forecast, today) && !up && <WaterNow cover={cover} bed={bed} />}
      {forecast?.waters && up && <WaterNext cover={cover} bed={bed} waters={forecast.waters} />}
      <Patch cover={cover} bed={bed} answer={answer} />
      <Link className="btn btn-primary mt-4" to={`/cover/${cover.id}/look`}>
        To the looks
      </Link>
    </>
  );
}

function upWords({ stand: { emerged, closed } }: Forecast): string {
  const closes = Number.isFinite(closed.low)
    ? `Ground closed ${showSpan(closed.low, closed.high)}.`
    : 'The ground does not close in time.';
  return `Up ${showSpan(emerged.low, emerged.high)}. ${closes}`;
}

/** The step that is due; the others are a tap away. */
function stepDue(cover: Cover, walk: Walk): number {
  const ticked = (when: 'before' | 'after') =>
    wayOf(cover.wayId)
      .steps.filter((s) => s.when === when)
      .every((s) => walk.prepared.includes(`${cover.wayId} ${s.id}`));
  if (cover.sownOn) return 0;
  if (!ticked('before') && walk.portionsDone === 0) return 1;
  if (seedNeeded(cover) && walk.portionsDone < cover.throws) return 2;
  return ticked('after') ? 5 : 3;
}

/** Air ten days ahead is cooler on the whole than its hottest, and where nothing is known of it, like a mild day. */
const COOLER_C = 5;
const MILD_C = 20;

/** Make ready, throw, what comes afterwards, water in, and write it down. */
function SowingSteps({ cover, bed, hottest_c = MILD_C }: OfBed & { hottest_c: number | undefined }) {
  const { hands, run } = useGarden();
  const walk = walkOf(cover);
  const due = stepDue(cover, walk);
  const sod = bed.surface === 'sod';
  const thrown = walk.portionsDone >= cover.throws;
  const list = (when: 'before' | 'after', locked: boolean, label: string) => (
    <Checklist
      cover={cover}
      when={when}
      locked={locked}
      prepared={walk.prepared}
      onTick={(step, done) => run(tickStep(hands, cover.id, step, done, label))}
    />
  );
  return (
    <>
      <Step n={1} title="Make ready" open={due === 1 || sod}>
        <Ways cover={cover} bed={bed} />
        {sod ? <SodRefused bed={bed} /> : list('before', false, 'a step of preparation')}
      </Step>
      {!sod && (
        <>
          {seedNeeded(cover) && (
            <Step n={2} title="Throw" open={due === 2 || due === 3}>
              <ThrowIt cover={cover} bed={bed} walk={walk} />
            </Step>
          )}
          <Step n={3} title="Afterwards" open={due === 3}>
            {list('after', seedNeeded(cover) && !thrown && !cover.sownOn, 'a step after sowing')}
          </Step>
          <Step n={4} title="Water in" open={due === 5}>
            <WaterIn cover={cover} bed={bed} air_c={hottest_c - COOLER_C} />
          </Step>
          <Step n={5} title={cover.sownOn ? 'Correct the record' : 'Write it down'} open>
            <WriteDown key={cover.sownOn ?? 'new'} cover={cover} bed={bed} weights={weightsOf(cover, bed)} />
          </Step>
        </>
      )}
    </>
  );
}

/** Portion by portion over the bed, a frame to count seeds in, and what to do when seed runs out. */
function ThrowIt({ cover, bed, walk }: OfBed & { walk: Walk }) {
  const { hands, run } = useGarden();
  const weights = weightsOf(cover, bed);
  const onWalk = (part: Partial<Walk>, label: string) => run(saveWalk(hands, cover.id, part, label));
  return (
    <>
      {weights.length > 0 && (
        <>
          <Throwing cover={cover} bed={bed} walk={walk} weights={weights} onWalk={onWalk} />
          <details className="border-linen mt-4 border-t pt-2" open={walk.counts.length > 0}>
            <summary className="cursor-pointer text-lg font-bold">Count seeds in a frame</summary>
            <CountSeeds cover={cover} walk={walk} weights={weights} onWalk={onWalk} />
          </details>
          <RanOut cover={cover} bed={bed} walk={walk} weights={weights} onWalk={onWalk} />
        </>
      )}
      <p className="mt-3 max-w-2xl">
        <b className="text-madder">Caution.</b> Coloured seed is treated and poisonous: gloves, cover every
        spill, keep birds, pets and children off, never eat or feed it.
      </p>
    </>
  );
}

function Step({
  n,
  title,
  open,
  children,
}: {
  n: number;
  title: string;
  open: boolean;
  children: ReactNode;
}) {
  return (
    <details className="border-warp mt-5 border-t pt-3" open={open}>
      <summary className="font-display mb-2 cursor-pointer text-2xl font-bold">
        <span className="text-bark">{n}</span> {title}
      </summary>
      {children}
    </details>
  );
}

/** Day on which a look first said that it is up, here and there or evenly. */
const seenUp = (looks: Look[], coverId: string): string | undefined =>
  looks
    .filter((l) => l.coverId === coverId && (l.emergence === 'some' || l.emergence === 'even'))
    .map((l) => l.on)
    .sort()[0];

/** Whether the seed may still be coming up: sown, and the last kind not up in nine years of ten. */
const coming = (cover: Cover, forecast: Forecast | undefined, today: string): boolean =>
  forecast !== undefined &&
  comingUp(cover, today) &&
  forecast.stand.stages.some((s) => !Number.isFinite(s.up.high) || dayOf(today) <= s.up.high);

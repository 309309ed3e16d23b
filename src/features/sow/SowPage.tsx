import { type ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { coverTitle, speciesOf, wayOf, unknownKinds } from '../../catalogue/catalogue.ts';
import { showMass } from '../../core/units/show.ts';
import { saveWalk, tickStep } from '../../records/verbs/seed.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { type Forecast } from '../../core/forecast/forecast.ts';
import type { Cover, Look, Walk } from '../../records/types.ts';
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
import { WaterNow } from './WaterNow.tsx';
import { WriteDown } from './WriteDown.tsx';

/** In the garden: whether today is good, the steps in their order, and the record of what was really thrown. */
export default function SowPage() {
  const ring = useCover(useParams().coverId);
  const { cover, bed, garden, plantings, looks, weather, today, hands, run } = ring;
  const { forecast, failure } = useForecast(cover);
  const [fetched, setFetched] = useDraft<ServiceForecast | null>(`forecast ${garden.id}`, null);
  const ahead = fetched && fetched.from === today ? fetched : null;
  const asked =
    cover && bed && fetched !== undefined && unknownKinds(cover.parts).length === 0
      ? sowTodayInput(garden, bed, cover, plantings, weather, daysAhead(ahead, today), today)
      : undefined;
  const { answer, busy } = useSowToday(asked, cover?.id);
  if (!cover || !bed) return <p className="p-6">This cover is not in the garden.</p>;
  const walk = walkOf(cover);
  const weights = weightsOf(cover, bed);
  const thrown = walk.portionsDone >= cover.throws;
  const onWalk = (part: Partial<Walk>, label: string) => run(saveWalk(hands, cover.id, part, label));
  const sod = bed.surface === 'sod';
  const ticked = (when: 'before' | 'after') =>
    wayOf(cover.wayId)
      .steps.filter((s) => s.when === when)
      .every((s) => walk.prepared.includes(`${cover.wayId} ${s.id}`));
  // One thing at a time: the step that is due stands open, the others a tap away.
  const due = cover.sownOn
    ? 0
    : !ticked('before') && walk.portionsDone === 0
      ? 1
      : seedNeeded(cover) && !thrown
        ? 2
        : !ticked('after')
          ? 3
          : 5;

  return (
    <div className="garden-touch">
      <Page title={`Sow bed ${bed.name}`} lead={coverTitle(cover)}>
        <Steps coverId={cover.id} bedId={bed.id} bedName={bed.name} />
        <NoAnswer failure={failure} />
        {cover.sownOn ? (
          <>
            <Answer big={`Sown ${showIsoYear(cover.sownOn)}`}>
              {cover.seed
                .map(
                  (s) =>
                    `${showMass(s.used_g ?? 0, garden.units)} ${speciesOf(s.speciesId).name.toLowerCase()}`,
                )
                .join(', ')}
              .{' '}
              {forecast
                ? `Up ${showSpan(forecast.stand.emerged.low, forecast.stand.emerged.high)}.${Number.isFinite(forecast.stand.closed.low) ? ` Ground closed ${showSpan(forecast.stand.closed.low, forecast.stand.closed.high)}.` : ' The ground does not close in time.'}`
                : 'Working out when it comes up…'}
            </Answer>
            {forecast && (
              <EmergenceClock stages={forecast.stand.stages} today={today} seenUp={seenUp(looks, cover.id)} />
            )}
            {coming(cover, forecast, today) && !seenUp(looks, cover.id) && (
              <WaterNow cover={cover} bed={bed} />
            )}
            <Patch cover={cover} bed={bed} answer={answer} />
            <Link className="btn btn-primary mt-4" to={`/cover/${cover.id}/look`}>
              To the looks
            </Link>
          </>
        ) : (
          <>
            <Today
              cover={cover}
              bed={bed}
              answer={answer}
              busy={busy}
              forecast={ahead}
              onForecast={setFetched}
              cropUntil={asked?.cropUntil}
            />
            {cover.sowOn > today && <p className="text-bark mt-1">Planned for {showIsoYear(cover.sowOn)}.</p>}
          </>
        )}
        <Step n={1} title="Make ready" open={due === 1 || sod}>
          <Ways cover={cover} bed={bed} />
          {sod ? (
            <SodRefused bed={bed} />
          ) : (
            <Checklist
              cover={cover}
              when="before"
              locked={false}
              prepared={walk.prepared}
              onTick={(step, done) => run(tickStep(hands, cover.id, step, done, 'a step of preparation'))}
            />
          )}
        </Step>
        {!sod && (
          <>
            {seedNeeded(cover) && (
              <Step n={2} title="Throw" open={due === 2 || due === 3}>
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
                  <b className="text-madder">Caution.</b> Coloured seed is treated and poisonous: gloves,
                  cover every spill, keep birds, pets and children off, never eat or feed it.
                </p>
              </Step>
            )}
            <Step n={3} title="Afterwards" open={due === 3}>
              <Checklist
                cover={cover}
                when="after"
                locked={seedNeeded(cover) && !thrown && !cover.sownOn}
                prepared={walk.prepared}
                onTick={(step, done) => run(tickStep(hands, cover.id, step, done, 'a step after sowing'))}
              />
            </Step>
            <Step n={4} title="Water in" open={due === 5}>
              <WaterIn cover={cover} bed={bed} air_c={(answer?.hottestNext10_c ?? 20) - 5} />
            </Step>
            <Step n={5} title={cover.sownOn ? 'Correct the record' : 'Write it down'} open>
              <WriteDown key={cover.sownOn ?? 'new'} cover={cover} bed={bed} weights={weights} />
            </Step>
          </>
        )}
      </Page>
    </div>
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

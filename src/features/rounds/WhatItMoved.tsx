import { Link } from 'react-router';
import { type Day, dayOf } from '../../core/calendar/day.ts';
import { type Forecast } from '../../core/forecast/forecast.ts';
import { type Question } from '../../core/rounds/question.ts';
import { speciesOf } from '../../catalogue/catalogue.ts';
import { seedOnGround } from '../../questions/weights.ts';
import type { Bed, Cover } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { useForecast } from '../../ring/useForecast.ts';
import { showDay, showSpan } from '../../ui/dates.ts';
import { METHOD_SHORT } from '../../ui/methodWords.ts';
import { Decision, InPassing, TELLS_NO_DATE } from './InPassing.tsx';
import { FRAME_M2, type Pick } from './pick.ts';

/** Where the forecast of a cover stands: the days it can be ended, the odds, the ready day, and what was expected to be seen today. */
export interface Standpoint {
  method: string;
  from: number;
  to: number;
  odds: number;
  ready: number;
  years: number;
  of: number;
  /** Ground cover expected today: early tenth, middle, late tenth of years. */
  cover: [number, number, number] | null;
}

/** The standpoint of today's forecast; undefined while it is being worked out. */
export function useStandpoint(cover: Cover | undefined): Standpoint | undefined {
  const { today } = useGarden();
  const { forecast } = useForecast(cover);
  return forecast ? standpointOf(forecast, dayOf(today)) : undefined;
}

function standpointOf(f: Forecast, today: Day): Standpoint | undefined {
  const best = f.settled ?? f.best;
  if (!best) return undefined;
  const grown = [...f.growth].reverse().find((g) => g.day <= today);
  const alike = f.endings.find((e) => e.method === best.method);
  return {
    method: best.method,
    from: (alike ?? best).windowDays[0],
    to: (alike ?? best).windowDays[1],
    odds: best.odds.inTime,
    ready: best.ready.mid,
    years: Math.round(f.effectiveYears),
    of: f.years,
    cover: grown ? [grown.cover.low, grown.cover.mid, grown.cover.high] : null,
  };
}

/** Fewer years than this fit what was seen: then it is asked about once more. */
const HARDLY_ANY = 0.13;

/** What an answer moved: the forecast before and now, what was expected, and what it means today. */
export function WhatItMoved({
  cover,
  before,
  now,
  pick,
  question,
}: {
  cover: Cover;
  before: Standpoint | null;
  now: Standpoint | undefined;
  pick: Pick;
  question: Question;
}) {
  const { today } = useGarden();
  const day = dayOf(today);
  const way = now && (METHOD_SHORT[now.method] ?? now.method);
  const percent = (x: number) => Math.round(x * 100);
  const expected = before?.cover;
  return (
    <section aria-label="What it moved" aria-live="polite">
      {pick.cover !== undefined && expected && (
        <p className="font-display text-2xl font-bold">
          {percent(pick.cover)} covered, {percent(expected[1])} expected
          <span className="text-bark block text-base font-normal">
            {pick.cover > expected[2]
              ? 'Ahead of nine years in ten.'
              : pick.cover < expected[0]
                ? 'Behind nine years in ten.'
                : `As most years: ${percent(expected[0])} to ${percent(expected[2])}.`}
          </span>
        </p>
      )}
      {TELLS_NO_DATE.has(question.kind) ? (
        <InPassing cover={cover} pick={pick} question={question} />
      ) : (
        !now && <p role="status">Working out what it moves…</p>
      )}
      {now && !TELLS_NO_DATE.has(question.kind) && (
        <>
          <h2 className="font-display mt-3 text-xl font-bold">The days to {way}</h2>
          <dl className="mt-1">
            {before && (
              <div className="border-linen grid grid-cols-[6rem_1fr] border-t py-2">
                <dt className="text-bark">before</dt>
                <dd>
                  {showSpan(before.from, before.to)}, {percent(before.odds)} of 100 in time, ready{' '}
                  {showDay(before.ready)}
                </dd>
              </div>
            )}
            <div className="border-walnut grid grid-cols-[6rem_1fr] border-t-2 py-2 text-lg font-bold">
              <dt>now</dt>
              <dd>
                {showSpan(now.from, now.to)}, {percent(now.odds)} of 100 in time, ready {showDay(now.ready)}
              </dd>
            </div>
          </dl>
          {now.years < HARDLY_ANY * now.of && (
            <p className="border-madder border-l-4 pl-2">
              Hardly any plausible year looks like that. Look once more, at another place, before it counts.
            </p>
          )}
          <Meaning cover={cover} now={now} day={day} pick={pick} question={question} />
        </>
      )}
    </section>
  );
}

/** What it means today, with the way to do it. */
function Meaning({
  cover,
  now,
  day,
  pick,
  question,
}: {
  cover: Cover;
  now: Standpoint;
  day: number;
  pick: Pick;
  question: Question;
}) {
  const { beds } = useGarden();
  const bed = beds.find((b) => b.id === cover.bedId)!;
  const end = `/cover/${cover.id}/terminate`;
  if (
    question.kind === 'emergence' &&
    pick.emergence === 'none' &&
    question.why.is === 'clock' &&
    question.why.at >= 10
  )
    return (
      <Decision words="It should be up by now. Scratch for seed; where it has rotted or been eaten, sow again this week.">
        <Link className="btn btn-primary" to={`/cover/${cover.id}/sow`}>
          Gaps and seed for them
        </Link>
      </Decision>
    );
  if (question.kind === 'frame' && pick.plants !== undefined) {
    const per_m2 = Math.round(pick.plants / FRAME_M2);
    const sown = sownPerM2(cover, bed, question.speciesId ?? cover.parts[0]!.speciesId);
    const share = sown > 0 ? per_m2 / sown : 1;
    return (
      <Decision
        words={`${per_m2} plants on a square metre, ${percentOf(share)} of the living seed.${share < THIN ? ' That is thin: sow the open places again while they are open.' : ''}`}
      >
        {share < THIN && (
          <Link className="btn btn-primary" to={`/cover/${cover.id}/sow`}>
            Gaps and seed for them
          </Link>
        )}
      </Decision>
    );
  }
  if (question.kind === 'crowns' && (pick.green ?? 0) > 0)
    return (
      <Decision words={`${pick.green} of ten live on.`}>
        <Link className="btn btn-primary" to={end}>
          What now?
        </Link>
      </Decision>
    );
  if (question.kind === 'peek')
    return (
      <Decision
        words={
          pick.green === 0
            ? 'Soft right through: it can come off once all three corners agree.'
            : 'Not yet: look again in five days.'
        }
      >
        <Link className="btn" to={end}>
          The work plan
        </Link>
      </Decision>
    );
  if (question.kind === 'seed' && pick.seed !== 'none')
    return (
      <Decision words="Seed is ripening: end it this week, or what falls comes up next year.">
        <Link className="btn btn-primary" to={end}>
          End it
        </Link>
      </Decision>
    );
  if (question.kind === 'alive' && pick.alive === 0)
    return <Decision words="Dead: what lies will rot from now on, and the ground is free sooner." />;
  const wait = Math.round(now.from - day);
  if (wait <= 1 && now.to >= day)
    return (
      <Decision words="The days to end it have come.">
        <Link className="btn btn-primary" to={end}>
          End it
        </Link>
      </Decision>
    );
  return wait > 1 ? <Decision words={`Wait: ${wait} days until the first good day.`} /> : null;
}

/** Less of the living seed than this is a thin stand. */
const THIN = 0.4;
const percentOf = (share: number): string => `${Math.round(Math.min(1, share) * 100)} %`;

/** Living seeds of one kind that lie on a square metre. */
function sownPerM2(cover: Cover, bed: Bed, speciesId: string): number {
  const i = cover.parts.findIndex((p) => p.speciesId === speciesId);
  const g_m2 = seedOnGround(cover, bed)[i] ?? 0;
  return (g_m2 / speciesOf(speciesId).seed.thousandSeed_g) * 1000;
}

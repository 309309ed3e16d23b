import { useMemo } from 'react';
import { Link } from 'react-router';
import { type Day, dayOf, isoOf } from '../../core/calendar/day.ts';
import { byUrgency, type Job, jobsOf, type StepDays } from '../../core/jobs/jobs.ts';
import { type Forecast } from '../../core/forecast/forecast.ts';
import { stripJobs, stripsOf } from '../../core/strips/life.ts';
import { stepsAhead } from '../../core/plan/steps.ts';
import { settle } from '../../records/commands/settle.ts';
import type { Cover } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { mowDays, useMowings } from '../../ring/useMowings.ts';
import { jobWords } from '../../ring/journal.ts';
import { showIso, showWeekday } from '../../ui/dates.ts';

const WEEK_D = 7;
/** Odds that fall by less than this in a week are no reason to hurry. */
const WORTH_SAYING = 0.03;

/** Days of the steps as the forecasts have them today. */
function stepDaysOf(covers: Cover[], forecasts: ReadonlyMap<string, Forecast>, now: Day): StepDays {
  const days = new Map<string, Map<number, Day>>();
  for (const c of covers) {
    const settled = forecasts.get(c.id)?.settled;
    if (!settled || !c.passes.some((p) => p.doneOn)) continue;
    days.set(c.id, new Map(stepsAhead(c.passes, settled, now).map((s) => [s.index, s.due])));
  }
  return days;
}

/** Days on which covers that are watered through dry weeks want water. */
const waterDaysOf = (forecasts: ReadonlyMap<string, Forecast>): ReadonlyMap<string, Day> =>
  new Map(
    [...forecasts].flatMap(([id, { waters }]) =>
      waters && Number.isFinite(waters.next.mid) ? [[id, Math.round(waters.next.mid)] as const] : [],
    ),
  );

/** What is to be done: this week by what cannot wait, later weeks folded, and what nobody said whether it happened. */
export function ThisWeek({ forecasts }: { forecasts: ReadonlyMap<string, Forecast> }) {
  const ring = useGarden();
  const { garden, beds, plantings, covers, looks, today } = ring;
  const now = dayOf(today);
  const mowings = useMowings();
  const jobs = useMemo(
    () =>
      [
        ...jobsOf(plantings, covers, looks, now, stepDaysOf(covers, forecasts, now), waterDaysOf(forecasts)),
        ...stripJobs(stripsOf(beds), now, garden.site.latitude_deg < 0, mowDays(mowings)),
      ].sort((a, b) => a.on.localeCompare(b.on)),
    [garden, beds, plantings, covers, looks, now, forecasts, mowings],
  );
  const open = jobs.filter((j) => j.unsettled);
  const settled = jobs.filter((j) => !j.unsettled);
  const week = settled.filter((j) => dayOf(j.on) <= now + WEEK_D);
  const later = settled.filter((j) => dayOf(j.on) > now + WEEK_D);
  const weeks = new Map<number, Job[]>();
  for (const j of later) {
    const k = Math.floor((dayOf(j.on) - now - 1) / WEEK_D);
    weeks.set(k, [...(weeks.get(k) ?? []), j]);
  }
  return (
    <section aria-label="This week">
      {week.some((j) => j.kind === 'look') && (
        <Link to="/rounds" className="btn btn-primary mb-3 h-auto min-h-12 w-full sm:hidden">
          Begin the rounds
        </Link>
      )}
      <h2 className="font-display text-lg font-bold">This week</h2>
      {week.length === 0 && (
        <p>Nothing is due until {later[0] ? showIso(later[0].on) : 'you plan a cover or a crop'}.</p>
      )}
      <Jobs groups={byUrgency(week.filter((j) => j.kind !== 'look'))} forecasts={forecasts} now={now} />
      {week.filter((j) => j.kind === 'sow').length > 1 && (
        <p className="border-linen border-t py-2">
          <Link to="/sow-day" className="font-bold underline">
            Sow {week.filter((j) => j.kind === 'sow').length} beds on one walk
          </Link>
        </p>
      )}
      <Looks jobs={week.filter((j) => j.kind === 'look')} now={now} />
      {open.length > 0 && <DidIt jobs={open} />}
      {later.length > 0 && (
        <details className="mt-2">
          <summary className="cursor-pointer font-semibold">
            {later.length} more, later this year and next
          </summary>
          {[...weeks].map(([k, list]) => (
            <details key={k} className="mt-1">
              <summary className="cursor-pointer text-sm">
                Week of {showIso(isoOf(now + 1 + k * WEEK_D))}: {list.length}
              </summary>
              <Jobs groups={byUrgency(list)} forecasts={forecasts} now={now} />
            </details>
          ))}
        </details>
      )}
    </section>
  );
}

function Jobs({
  groups,
  forecasts,
  now,
}: {
  groups: Job[][];
  forecasts: ReadonlyMap<string, Forecast>;
  now: Day;
}) {
  const ring = useGarden();
  return (
    <ul>
      {groups.map((group) => {
        const [first] = group;
        const late = dayOf(first!.on) < now;
        return (
          <li key={first!.id} className="border-linen grid grid-cols-[3rem_1fr] gap-2 border-t py-2">
            <span className={`text-sm ${late ? 'text-madder font-bold' : 'text-bark'}`}>
              {late || dayOf(first!.on) > now + WEEK_D ? showIso(first!.on) : showWeekday(first!.on)}
            </span>
            <span>
              {group.map((j) => {
                const w = jobWords(j, ring);
                return (
                  <span key={j.id} className="block">
                    <Link to={w.to} className="font-bold underline-offset-2 hover:underline">
                      {w.title}
                    </Link>
                    <span className="text-bark block text-sm">
                      {late && 'Overdue. '}
                      {w.detail}
                      {costOfWaiting(j, forecasts)}
                    </span>
                  </span>
                );
              })}
            </span>
          </li>
        );
      })}
    </ul>
  );
}

/** Looks can wait a while, and are made on one walk: they stand together. */
function Looks({ jobs, now }: { jobs: Job[]; now: Day }) {
  const ring = useGarden();
  if (jobs.length === 0) return null;
  const late = jobs.filter((j) => dayOf(j.on) < now).length;
  return (
    <p className="border-linen border-t py-2">
      <Link to="/rounds" className="font-bold underline-offset-2 hover:underline">
        Look at {jobs.length === 1 ? 'bed' : 'beds'}
      </Link>{' '}
      {jobs.map((j, i) => (
        <span key={j.id}>
          {i > 0 && ', '}
          <Link to={jobWords(j, ring).to} className="underline underline-offset-2">
            {ring.beds.find((b) => b.id === j.bedId)?.name}
          </Link>
        </span>
      ))}
      {late > 0 && <span className="text-bark block text-sm">on your next walk past them</span>}
    </p>
  );
}

/** What a week more would cost, for the first step of an ending that can still be chosen freely. */
function costOfWaiting(job: Job, forecasts: ReadonlyMap<string, Forecast>): string {
  if (job.kind !== 'pass' || job.pass !== 0) return '';
  const f = forecasts.get(job.refId);
  const week = f?.weeks.find((w) => w.days > 0);
  if (!f?.settled || !week || f.settled.odds.inTime - week.inTime < WORTH_SAYING) return '';
  return `. In time in ${Math.round(f.settled.odds.inTime * 100)} of 100, a week later in ${Math.round(week.inTime * 100)}`;
}

/** What was planned, has long passed, and nobody logged. */
function DidIt({ jobs }: { jobs: Job[] }) {
  const ring = useGarden();
  const { garden, hands, run } = ring;
  return (
    <section className="bg-wool mt-3 p-3" aria-label="Did this happen?">
      <h3 className="font-bold">Did this happen?</h3>
      <ul>
        {jobs.map((j) => {
          const w = jobWords(j, ring);
          return (
            <li key={j.id} className="border-linen border-t py-2">
              {w.title}
              <span className="mt-1 flex flex-wrap gap-2">
                <button
                  type="button"
                  className="btn btn-sm"
                  onClick={() => void run(settle(hands, garden.id, j, w.title.toLowerCase()))}
                >
                  Yes, on {showIso(j.on)}
                </button>
                <Link to={w.to} className="btn btn-sm btn-ghost">
                  Another day, or not
                </Link>
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

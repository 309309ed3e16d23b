import { dayOf, isoOf } from '../src/core/calendar/day.ts';
import { forecastCover } from '../src/core/forecast/forecast.ts';
import { datedPasses } from '../src/core/plan/passes.ts';
import { type EndingAnswer } from '../src/core/plan/answers.ts';
import { standOf } from '../src/core/plan/standing.ts';
import { DEAD_BELOW, mostAlive } from '../src/core/termination/end.ts';
import { STAGES } from '../src/core/stand/species.ts';
import { dryMatterOn } from '../src/core/stand/course.ts';
import { forecastInput, observedOf } from '../src/questions/cover.ts';
import { methodsHere } from '../src/questions/methods.ts';
import { predictedOf } from '../src/questions/predicted.ts';
import type { Bed, Cover, Look } from '../src/records/types.ts';
import { BLANK_LOOK, type GardenContents } from '../src/records/verbs/verbs.ts';
import { type CoverRow, type Scenario } from './scenario.ts';
import { weighedFrame } from './written.ts';

// Makes the demo gardens: the gardener of the scenario chooses as Kilim advised on the day, one plausible year comes true, and what is looked at and logged
// is what that year brought. Run it again whenever the model or the records change: `npx tsx demo/make.ts`.

export const YEARS = 100;

/** A gardener's eye: what is seen is rounded to this. */
const SEEN_TO = 0.05;

/** Days after sowing on which a stand is looked at, and days of the spring after. */
const LOOKED_AT_D = [12, 45];

const LOOKED_AT_SPRING = ['03-20', '04-08'];

/** The way that is put forward on a day for what stands there then, in place of what was planned. */
export function endAnew(
  s: Scenario,
  c: GardenContents,
  bed: Bed,
  cover: Cover,
  on: string,
  method?: string,
  startOn?: string,
): Cover {
  const input = {
    ...forecastInput(c.garden, bed, cover, c.plantings, c.looks, on, YEARS),
    observed: observedOf(c.weather, cover, on),
  };
  const f = forecastCover(
    method && startOn && !input.lived ? { ...input, settled: { method, startDay: dayOf(startOn) } } : input,
  );
  const e = method ? f.endings.find((x) => x.method === method) : f.best;
  if (!e) throw new Error(`${cover.id}: no way from ${on}`);
  const here = methodsHere(c.garden, bed).find((m) => m.id === e.method)!;
  const answer = startOn ? { ...e, startDay: dayOf(startOn), dead: later(e, dayOf(startOn)) } : e;
  console.log(
    `${s.name} ${bed.name} from ${on}: ${e.method} ${isoOf(Math.round(answer.startDay))} ${Math.round(100 * e.odds.inTime)}/100`,
  );
  const waiting = cover.passes.find((p) => !p.doneOn);
  return {
    ...cover,
    method: e.method,
    passes: [
      ...cover.passes.filter((p) => p.doneOn),
      ...datedPasses(here.passes, answer, dayOf(cover.plantBackOn ?? cover.sowOn)),
    ],
    predicted: predictedOf(answer, on),
    formerPlans: [
      ...cover.formerPlans,
      {
        until: on,
        method: cover.method,
        due: waiting?.due ?? null,
        why: cover.verdict === 'regrew' ? 'grew-again' : 'chosen-anew',
      },
    ],
    verdict: null,
  };
}

const later = (e: EndingAnswer, startDay: number): EndingAnswer['dead'] => {
  const by = startDay - e.startDay;
  return { low: e.dead.low + by, mid: e.dead.mid + by, high: e.dead.high + by };
};

/** Cut too early, counted, and ended another way. */
export function wrong(
  s: Scenario,
  c: GardenContents,
  bed: Bed,
  cover: Cover,
  w: NonNullable<CoverRow['wentWrong']>,
): Cover {
  const cut: Cover = {
    ...cover,
    method: 'cut',
    passes: [{ kind: 'cut', due: w.cutOn, doneOn: w.cutOn }],
    verdict: 'regrew',
    formerPlans: [
      { until: w.cutOn, method: cover.method, due: cover.passes[0]?.due ?? null, why: 'chosen-anew' },
    ],
  };
  c.looks.push({ ...newLook(s, cut, w.seenOn, 'crowns'), crowns: { green: w.green, of: w.of } });
  return endAnew(s, c, bed, cut, w.seenOn, w.method, w.onceMore);
}

/** Day on which what was done had killed it, in the year that came true. */
export function diedOn(s: Scenario, c: GardenContents, bed: Bed, cover: Cover): string | undefined {
  const today = s.today;
  const last = cover.passes.at(-1)!.doneOn!;
  // Left to the weather: it was looked at on its day.
  if (cover.passes.every((p) => p.kind.startsWith('check'))) {
    const { course, fromDay } = cameTrue(s, c, bed, cover);
    return mostAlive(course, dayOf(last) - fromDay) <= DEAD_BELOW ? last : undefined;
  }
  const f = forecastCover({
    ...forecastInput(c.garden, bed, cover, c.plantings, c.looks, today, YEARS),
    observed: observedOf(c.weather, cover, today),
  });
  const day = f.settled?.dead.mid ?? f.endings.find((e) => e.method === cover.method)?.dead.mid;
  if (day === undefined || !Number.isFinite(day)) return undefined;
  return isoOf(Math.max(Math.round(day) + 1, dayOf(last)));
}

const newLook = (s: Scenario, cover: Cover, on: string, part: string): Look => ({
  id: `${s.name}-look-${cover.id.slice(s.name.length + 7)}-${part}`,
  gardenId: cover.gardenId,
  bedId: cover.bedId,
  coverId: cover.id,
  on,
  ...BLANK_LOOK,
});

/** The year that came true on this bed: its measured weather, and a variety, a seed lot and a soil of its own. */
function cameTrue(s: Scenario, c: GardenContents, bed: Bed, cover: Cover) {
  const input = forecastInput(c.garden, bed, cover, c.plantings, [], s.today, 8);
  const { soFar, fromDay } = standOf({ ...input, observed: observedOf(c.weather, cover, s.today) });
  const own = [...cover.id].reduce((n, ch) => n + ch.charCodeAt(0), 0);
  return { course: soFar.courses[own % soFar.courses.length]!, fromDay };
}

/** Looks of a gardener who walks past now and then: the year that came true, seen by eye. */
export function looksAt(s: Scenario, c: GardenContents, bed: Bed, cover: Cover, row: CoverRow): Look[] {
  if (!cover.sownOn) return [];
  const sown = dayOf(cover.sownOn);
  const ended =
    cover.passes.find((p) => p.doneOn && p.kind !== 'mow-high')?.doneOn ?? cover.endedOn ?? s.today;
  const spring = LOOKED_AT_SPRING.map((md) =>
    dayOf(`${Number(cover.sownOn!.slice(0, 4)) + (row.mownHigh ? 2 : 1)}-${md}`),
  );
  const days = [...LOOKED_AT_D.map((d) => sown + d), ...spring].filter(
    (d) => isoOf(d) < ended && isoOf(d) < s.today,
  );
  const { course, fromDay } = cameTrue(s, c, bed, cover);
  const weighed = row.weighed ? [weighedFrame(cover, course, fromDay, ended)] : [];
  const passing = days.flatMap((day, k) => {
    const d = day - fromDay;
    if (dryMatterOn(course, d) < 1) return [];
    const alive = course.alive[d * course.members]!;
    const up = course.cover[d]!;
    const seen = Math.min(
      1,
      Math.max(0.01, Math.round(up / SEEN_TO) * SEEN_TO || Math.round(up * 100) / 100),
    );
    return [
      {
        ...newLook(s, cover, isoOf(day), String(k + 1)),
        emergence: k === 0 ? (up > 0.02 ? 'even' : 'some') : null,
        cover: Number(seen.toFixed(2)),
        height_m: Number(Math.max(0.02, course.height_m[d]!).toFixed(2)),
        stage: alive > 0.1 ? STAGES[Math.max(1, Math.floor(course.stage[d * course.members]!))]! : null,
        alive:
          k >= LOOKED_AT_D.length && alive < 0.9
            ? Number((Math.round(alive / SEEN_TO) * SEEN_TO).toFixed(2))
            : null,
      } as Look,
    ];
  });
  return [...passing, ...weighed];
}

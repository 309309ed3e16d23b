import { type Day } from '../calendar/day.ts';
import { type AimStrands, worthOf } from '../aims/aims.ts';
import { pickEnding, worthOfEnding } from '../plan/endings.ts';
import { product } from '../known/known.ts';
import { type Sample } from './sample.ts';

/** A sample with what it is worth for the aims, and those like it that stand behind it. */
export interface Ranked {
  sample: Sample;
  fit: number;
  /** It is not ready in time, and hangs by its way out: a later planting day. */
  late: boolean;
}

export interface Hung extends Ranked {
  behind: Ranked[];
}

/** Ready this many days late at most, it hangs with its way out. */
export const HANGS_LATE_D = 24;
/** A later planting day keeps this much of the worth, and each day of it costs this much more. */
const PLANTED_LATE_KEEPS = 0.82;
const PER_LATE_DAY = 0.012;
const STAND_LEAST = 0.3;
const FAILING = 0.5;

/** Worth for the aims, times the odds of a stand and all that is known of season and bed. */
export function rankOne(given: Sample, aims: AimStrands[]): Ranked {
  const best = given.fixed ? given.best : pickEnding(given.endings, given.usable, aims);
  const sample = best === given.best ? given : { ...given, best, weeks: [] };
  // Its factors are those of the way it came with.
  const turned = (best?.keeps ?? 1) / (given.best?.keeps ?? 1);
  const known = product(sample.factors) * (best === given.best ? 1 : turned);
  const likely = (STAND_LEAST + (1 - STAND_LEAST) * sample.stand.stand) * known;
  const scaled = (worth: number) => (worth > 0 ? worth * likely : worth);
  const now = best ? scaled(worthOfEnding(best, aims)) : -1;
  const change = sample.changes.find((c) => c.kind === 'plant-later');
  if (!best || !change || change.days > HANGS_LATE_D || best.odds.inTime >= FAILING)
    return { sample, fit: now, late: false };
  const odds = { ...best.odds, inTime: change.odds, dead: change.odds };
  const then =
    scaled(worthOf(change.serves, aims, odds, best.minutesPer100m2)) *
    (PLANTED_LATE_KEEPS - PER_LATE_DAY * change.days);
  if (then <= now) return { sample, fit: now, late: false };
  // It hangs with the way that would then end it, on the day that it would.
  const way = sample.endings.find((e) => e.method === change.method) ?? best;
  const { startDay } = change;
  if (way === best && startDay === best.startDay) return { sample, fit: then, late: true };
  const later = { ...way, startDay, windowDays: [startDay, startDay] as [Day, Day] };
  return { sample: { ...sample, best: later, weeks: [] }, fit: then, late: true };
}

/** Orders samples by how well they serve the aims, times the odds that they are over in time. Changing aims recomputes nothing else. */
export const rankSamples = (samples: Sample[], aims: AimStrands[]): Ranked[] =>
  samples
    .map((s) => rankOne(s, aims))
    .sort((a, b) => b.fit - a.fit || a.sample.id.localeCompare(b.sample.id));

/** Kind that leads a sample and how it ends: samples that agree in both are one kind of answer. Forms of one kind count as that kind. */
export const answerKind = (sample: Sample): string =>
  `${sample.first ? `${sample.first.id} then ` : ''}${sample.lead} ${sample.best?.method ?? ''}`;

/**
 * What is worth less than this hardly covers the ground: being ready in time does not put it first. In a poor gap, where nothing is worth much, half of
 * what leads is enough.
 */
const WORTH_SOWING = 0.08;
const WORTH_BESIDE = 0.5;

/**
 * In the order of rank, each kind of answer once; alike samples stand behind the first of their kind. What is ready in time in
 * most years comes first of all, as long as it is worth the seed.
 */
export function hang(ranked: Ranked[]): Hung[] {
  const heads = new Map<string, Hung>();
  for (const r of ranked) {
    const key = answerKind(r.sample);
    const head = heads.get(key);
    if (head) head.behind.push(r);
    else heads.set(key, { ...r, behind: [] });
  }
  const hung = [...heads.values()];
  const inTime = (h: Hung) => (h.sample.best?.odds.inTime ?? 0) >= FAILING;
  const enough = Math.min(WORTH_SOWING, WORTH_BESIDE * (hung[0]?.fit ?? 0));
  const first = hung.findIndex((h) => !h.late && h.fit > 0 && h.fit >= enough && inTime(h));
  return first > 0 ? [hung[first]!, ...hung.slice(0, first), ...hung.slice(first + 1)] : hung;
}

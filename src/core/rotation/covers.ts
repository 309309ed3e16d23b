import { type Day, monthOf } from '../calendar/day.ts';
import { gapEnsemble, sampleFor } from '../choose/choose.ts';
import { type ChooseInput } from '../choose/input.ts';
import { hang, type Ranked, rankSamples } from '../choose/rank.ts';
import { type Candidate, type Sample } from '../choose/sample.ts';
import { type CourseRoom } from '../plan/grown.ts';
import { GLANCE, QUICK } from '../plan/search.ts';

/**
 * A plan of years holds dozens of gaps: kinds are glanced at over few years, then the mixes of kinds that do well by themselves, and the best kinds of answer
 * are looked at on more.
 */
const GLANCE_YEARS = 3;
const GOOD_KINDS = 16;
const LOOKED_AT = 8;
const LOOK_YEARS = 24;

/** A cover that a plan might hang in a gap, with what it is worth there; its other ways of ending and its reasons are left out. */
export interface PlanCover {
  sample: Sample;
  fit: number;
}

/** Answers: which covers would serve a gap of years to come best? The same growing, ranking and kinds of answer as Choose, over fewer years; best first. */
export function coversFor(input: ChooseInput, most: number): PlanCover[] {
  const ensemble = gapEnsemble(input);
  const room: CourseRoom = new Map();
  const glance = (some: Candidate[]) =>
    some.map((c) => sampleFor(c, input, ensemble, room, { years: GLANCE_YEARS, effort: GLANCE }));
  // Two covers in turn are a plan of their own: a gap of years to come is given one.
  const whole = input.candidates.filter((c) => !c.first);
  const kinds = glance(whole.filter((c) => c.members.length === 1));
  const good = new Set(
    rankSamples(kinds, input.aims)
      .slice(0, GOOD_KINDS)
      .map(({ sample }) => sample.parts[0]!.speciesId),
  );
  const mixes = glance(
    whole.filter((c) => c.members.length > 1 && c.members.every((m) => good.has(m.species.id))),
  );
  const looked = hang(rankSamples([...kinds, ...mixes], input.aims))
    .slice(0, LOOKED_AT)
    .flatMap(({ sample: { id, sowDay } }) => {
      const candidate = input.candidates.find((c) => c.id === id);
      const years = Math.min(LOOK_YEARS, input.years);
      return candidate
        ? [sampleFor(candidate, input, ensemble, room, { hint: { id, sowDay }, years, effort: QUICK })]
        : [];
    });
  return hang(rankSamples(looked, input.aims))
    .filter(({ sample, fit, late }) => sample.best && fit > 0 && !late)
    .slice(0, most)
    .map(lean);
}

/** Answers: what would this one cover come to in a gap of years to come? Empty where it cannot be sown or ended there, or serves nothing. */
export function coverThere(input: ChooseInput, candidate: Candidate): PlanCover[] {
  const years = Math.min(LOOK_YEARS, input.years);
  const sample = sampleFor(candidate, input, gapEnsemble(input), new Map(), { years, effort: QUICK });
  const [ranked] = rankSamples([sample], input.aims);
  return ranked && ranked.sample.best && ranked.fit > 0 ? [lean(ranked)] : [];
}

const lean = ({ sample, fit }: Ranked): PlanCover => ({
  sample: { ...sample, endings: [], reasons: [], changes: [] },
  fit,
});

/** Kinds of work that a plan asks. */
export const PLAN_WORK = ['plant', 'sow', 'end'] as const;
export type PlanWork = (typeof PLAN_WORK)[number];

/** What the covers of a plan come to. */
export interface PlanSums {
  gaps: number;
  /** Bare days a bed and year, mean; and were every gap left empty. */
  bareDays: number;
  emptyDays: number;
  /** By year of the plan: nitrogen that covers leave the crops above bare ground, and what those crops take, g. */
  nitrogen: { given_g: number; wanted_g: number }[];
  /** Minutes that putting crops in, sowing covers and ending them takes, by month of any year, January first. */
  minutes: Record<PlanWork, number[]>;
  /** The cover that hangs most often, in so many gaps. */
  most: { name: string; times: number } | undefined;
}

/** A cover in a gap, as far as sums ask. */
export interface GapCover {
  name: string;
  sowDay: Day;
  /** Days of the gap on which the ground is bare. */
  bare_d: number;
  /** What it leaves the next crop above bare ground, g/m2. */
  nitrogen_g_m2: number;
  /** First day and minutes of its ending. */
  endDay: Day;
  ending_min_100m2: number;
}

/** A proposed cover as sums ask for it; undefined where it has no end. */
export const asSummed = ({ sample: { name, sowDay, best } }: PlanCover): GapCover | undefined =>
  best && {
    name,
    sowDay,
    bare_d: best.bareDays.mid,
    nitrogen_g_m2: best.nitrogen_g_m2.mid,
    endDay: best.startDay,
    ending_min_100m2: best.minutesPer100m2,
  };

/** A gap as it is summed up: the cover that it takes, if any. */
export interface SummedGap {
  year: number;
  area_m2: number;
  freeDay: Day;
  plantDay: Day;
  cover: GapCover | undefined;
  /** What sowing the usual way takes, minutes on 100 m2. */
  sowing_min_100m2: number;
}

/** A planned crop as it is summed up. */
export interface SummedCrop {
  year: number;
  area_m2: number;
  plantDay: Day;
  /** Nitrogen it takes, less what it fixes itself. */
  takes_g_m2: number;
  /** What putting it in takes. */
  minutes: number;
}

/** Answers: what do a plan's covers leave bare and give, and what do they and its crops ask in work? */
export function sumsOf(
  gaps: readonly SummedGap[],
  crops: readonly SummedCrop[],
  beds: number,
  years: number,
): PlanSums {
  const nitrogen = Array.from({ length: years }, () => ({ given_g: 0, wanted_g: 0 }));
  const months = () => new Array<number>(12).fill(0);
  const minutes = { plant: months(), sow: months(), end: months() };
  const times = new Map<string, number>();
  let bare = 0;
  let empty = 0;
  for (const { year, area_m2, freeDay, plantDay, cover, sowing_min_100m2 } of gaps) {
    empty += plantDay - freeDay;
    bare += cover ? cover.bare_d : plantDay - freeDay;
    if (!cover) continue;
    nitrogen[year]!.given_g += Math.max(0, cover.nitrogen_g_m2) * area_m2;
    minutes.sow[monthOf(cover.sowDay)]! += (sowing_min_100m2 * area_m2) / 100;
    minutes.end[monthOf(cover.endDay)]! += (cover.ending_min_100m2 * area_m2) / 100;
    times.set(cover.name, (times.get(cover.name) ?? 0) + 1);
  }
  for (const c of crops) {
    nitrogen[c.year]!.wanted_g += c.takes_g_m2 * c.area_m2;
    minutes.plant[monthOf(c.plantDay)]! += c.minutes;
  }
  const [most] = [...times].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]));
  const each = Math.max(1, beds * years);
  return {
    gaps: gaps.length,
    bareDays: bare / each,
    emptyDays: empty / each,
    nitrogen,
    minutes,
    most: most && { name: most[0], times: most[1] },
  };
}

/** Covers of one plan: what each of its gaps could carry, best first; none where nothing fits. */
export interface PlanGap {
  bedId: string;
  year: number;
  covers: readonly PlanCover[];
}

/** A cover that stood in the bed's last gap, or that hangs in many gaps already, must be so much better to be taken again: judgement. */
const AGAIN_COSTS = 0.1;
const EACH_COSTS = 0.02;

/** Which of its covers each gap takes, by index; undefined where it has none: the best, but not the same in every gap. Gaps in the order of years. */
export function variedPicks(gaps: readonly PlanGap[]): (number | undefined)[] {
  const times = new Map<string, number>();
  const before = new Map<string, string>();
  return gaps.map(({ bedId, covers }) => {
    const worth = covers.map(
      ({ sample: { id }, fit }) =>
        fit - (before.get(bedId) === id ? AGAIN_COSTS : 0) - EACH_COSTS * (times.get(id) ?? 0),
    );
    const pick = worth.indexOf(Math.max(...worth));
    const id = covers[pick]?.sample.id;
    if (id === undefined) return undefined;
    times.set(id, (times.get(id) ?? 0) + 1);
    before.set(bedId, id);
    return pick;
  });
}

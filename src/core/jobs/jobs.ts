import { type Day, dayOf, isoOf } from '../calendar/day.ts';
import { endingBegun, endingPasses, type CoverSpan, type PlantingSpan } from '../bed/timeline.ts';

/** What is to be done from gap to gap, and on strips that live for years. */
type GapJob = 'sow' | 'water' | 'look' | 'pass' | 'check' | 'plant' | 'clear';
type StripJob = 'mow' | 'trim' | 'straw' | 'mend' | 'lift' | 'renew';

/** Something to do on a day. The interface makes the sentence from kind and facts. */
export interface Job {
  /** Stays the same while the thing to do is the same, so that calendars update instead of doubling. */
  id: string;
  kind: GapJob | StripJob;
  bedId: string;
  /** The cover or crop; for a strip that lives for years the piece itself. */
  refId: string;
  on: string;
  /** Index of the pass for `pass`. */
  pass?: number;
  /** Whether it can wait: what is missed today may be gone tomorrow, can be made up within days, or within weeks. */
  waits: 'cannot' | 'days' | 'weeks';
  /** Its day has long passed and nobody said that it was done: it may have been. */
  unsettled: boolean;
}

const WAITS: Record<GapJob, Job['waits']> = {
  sow: 'cannot',
  water: 'days',
  pass: 'cannot',
  plant: 'cannot',
  clear: 'days',
  check: 'days',
  look: 'weeks',
};
const ORDER: Job['waits'][] = ['cannot', 'days', 'weeks'];
/** A job this many days past its day is asked about rather than called for. */
const UNSETTLED_AFTER_D = 10;

export interface SeenOn {
  coverId: string;
  on: string;
}

const FIRST_LOOK_AFTER_D = 10;
const LOOK_EVERY_D = 21;
/** The last weeks before the ending begins are looked at weekly. */
const NEAR_END_D = 28;
const NEAR_END_EVERY_D = 7;
const CHECK_AFTER_D = 14;

/** Days on which steps fall due by the forecast, where that knows better than the plan: by cover and index of the pass. */
export type StepDays = ReadonlyMap<string, ReadonlyMap<number, Day>>;

/**
 * Everything still to do, soonest first. A job whose time has passed because the record moved on (the next crop stands, another cover was sown) is left out.
 * What is looked at in a week can be ordered by what cannot wait with `byUrgency`.
 * @param waterDays by cover, where its forecast says that it wants water
 */
export function jobsOf(
  plantings: PlantingSpan[],
  covers: (CoverSpan & { verdict: string | null; nextPlantingId?: string | null })[],
  looks: SeenOn[],
  today: Day,
  stepDays: StepDays = new Map(),
  waterDays: ReadonlyMap<string, Day> = new Map(),
): Job[] {
  const jobs: Job[] = [];
  const add = (kind: GapJob, bedId: string, refId: string, on: string, pass?: number) =>
    jobs.push({
      id: `${refId}:${kind}${pass === undefined ? '' : `:${pass}`}`,
      kind,
      bedId,
      refId,
      on,
      pass,
      waits: WAITS[kind],
      unsettled: kind !== 'look' && kind !== 'check' && today - dayOf(on) > UNSETTLED_AFTER_D,
    });
  const plantedAfter = (bedId: string, day: string, but?: string) =>
    plantings.some((p) => p.bedId === bedId && p.id !== but && p.plantedOn !== null && p.plantedOn >= day);
  const sownAfter = (bedId: string, day: string, but?: string) =>
    covers.some((c) => c.bedId === bedId && c.id !== but && c.sownOn !== null && c.sownOn >= day);
  for (const p of plantings) {
    if (!p.plantedOn) {
      const movedOn = plantedAfter(p.bedId, p.plantOn, p.id) || sownAfter(p.bedId, p.plantOn);
      if (!movedOn) add('plant', p.bedId, p.id, p.plantOn);
    } else if (!p.clearedOn) {
      // A cover sown before the clearing day grows under the crop; one sown after it stands on cleared ground.
      const movedOn = plantedAfter(p.bedId, p.plantedOn, p.id) || sownAfter(p.bedId, p.clearOn);
      if (!movedOn) add('clear', p.bedId, p.id, p.clearOn);
    }
  }
  for (const c of covers) {
    if (c.verdict === 'dead') continue;
    const next = plantings.find((p) => p.id === c.nextPlantingId);
    if (next?.plantedOn) continue;
    if (!c.sownOn) {
      if (!sownAfter(c.bedId, c.sowOn, c.id) && !plantedAfter(c.bedId, c.sowOn))
        add('sow', c.bedId, c.id, c.sowOn);
      continue;
    }
    const begun = endingBegun(c);
    const dry = waterDays.get(c.id);
    if (dry !== undefined && !begun) add('water', c.bedId, c.id, isoOf(Math.max(dry, today)));
    c.passes.forEach((p, i) => {
      const day = stepDays.get(c.id)?.get(i);
      if (!p.doneOn) add('pass', c.bedId, c.id, day === undefined ? p.due : isoOf(day), i);
    });
    if (begun) {
      const last = c.passes.filter((p) => p.doneOn).at(-1)!;
      if (c.passes.every((p) => p.doneOn))
        add('check', c.bedId, c.id, isoOf(dayOf(last.doneOn!) + CHECK_AFTER_D));
    } else {
      add('look', c.bedId, c.id, isoOf(nextLook(c, looks, today)));
    }
  }
  return jobs.sort((a, b) => a.on.localeCompare(b.on) || a.id.localeCompare(b.id));
}

/** What cannot wait first, then by day; jobs of one bed and day stand together, behind the most urgent of them. */
export function byUrgency(jobs: readonly Job[]): Job[][] {
  const groups = new Map<string, Job[]>();
  for (const j of jobs) {
    const key = `${j.bedId} ${j.on}`;
    groups.set(key, [...(groups.get(key) ?? []), j]);
  }
  const rank = (g: Job[]) => Math.min(...g.map((j) => ORDER.indexOf(j.waits)));
  return [...groups.values()].sort((a, b) => rank(a) - rank(b) || a[0]!.on.localeCompare(b[0]!.on));
}

function nextLook(c: CoverSpan, looks: SeenOn[], today: Day): Day {
  const seen = looks.filter((l) => l.coverId === c.id).map((l) => dayOf(l.on));
  const sown = dayOf(c.sownOn!);
  if (seen.length === 0) return sown + FIRST_LOOK_AFTER_D;
  const last = Math.max(...seen);
  const first = endingPasses(c)[0];
  const end = first ? dayOf(first.due) : Infinity;
  if (end - today <= NEAR_END_D) return last + NEAR_END_EVERY_D;
  // Once it is up, looks may wait until the ending comes near; only a far or unknown end is looked at every three weeks.
  return Number.isFinite(end) ? Math.max(last + LOOK_EVERY_D, end - NEAR_END_D) : last + LOOK_EVERY_D;
}

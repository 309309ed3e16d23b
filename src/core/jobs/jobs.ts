import { type Day, dayOf, isoOf } from '../calendar/day.ts';
import { type CoverSpan, type PlantingSpan } from '../bed/timeline.ts';

/** Something to do on a day. The interface makes the sentence from kind and facts. */
export interface Job {
  /** Stays the same while the thing to do is the same, so that calendars update instead of doubling. */
  id: string;
  kind: 'sow' | 'look' | 'pass' | 'check' | 'plant' | 'clear';
  bedId: string;
  refId: string;
  on: string;
  /** Index of the pass for `pass`. */
  pass?: number;
}

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

/** Everything still to do, soonest first. */
export function jobsOf(
  plantings: PlantingSpan[],
  covers: (CoverSpan & { verdict: string | null })[],
  looks: SeenOn[],
  today: Day,
): Job[] {
  const jobs: Job[] = [];
  const add = (kind: Job['kind'], bedId: string, refId: string, on: string, pass?: number) =>
    jobs.push({
      id: `${refId}:${kind}${pass === undefined ? '' : `:${pass}`}`,
      kind,
      bedId,
      refId,
      on,
      pass,
    });
  for (const p of plantings) {
    if (!p.plantedOn) add('plant', p.bedId, p.id, p.plantOn);
    else if (!p.clearedOn) add('clear', p.bedId, p.id, p.clearOn);
  }
  for (const c of covers) {
    if (c.verdict === 'dead') continue;
    if (!c.sownOn) {
      add('sow', c.bedId, c.id, c.sowOn);
      continue;
    }
    const begun = c.passes.some((p) => p.doneOn);
    c.passes.forEach((p, i) => {
      if (!p.doneOn) add('pass', c.bedId, c.id, p.due, i);
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

function nextLook(c: CoverSpan, looks: SeenOn[], today: Day): Day {
  const seen = looks.filter((l) => l.coverId === c.id).map((l) => dayOf(l.on));
  const sown = dayOf(c.sownOn!);
  if (seen.length === 0) return sown + FIRST_LOOK_AFTER_D;
  const last = Math.max(...seen);
  const end = c.passes[0] ? dayOf(c.passes[0].due) : Infinity;
  if (end - today <= NEAR_END_D) return last + NEAR_END_EVERY_D;
  // Once it is up, looks may wait until the ending comes near; only a far or unknown end is looked at every three weeks.
  return Number.isFinite(end) ? Math.max(last + LOOK_EVERY_D, end - NEAR_END_D) : last + LOOK_EVERY_D;
}

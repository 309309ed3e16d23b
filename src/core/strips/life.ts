import { type PieceUse } from '../bed/pieces.ts';
import { type Day, dayOf, isoOf, yearOf } from '../calendar/day.ts';
import { type Job } from '../jobs/jobs.ts';

// Strips that live for years beside the beds: a living path that is mown, film that lies until it is lifted, a plant that stays.

/** What is done to such a strip. */
export const STRIP_DEEDS = ['mow', 'trim', 'straw', 'mend'] as const;
export type StripDeed = (typeof STRIP_DEEDS)[number];

/** A use of ground that is neither sown nor planted from gap to gap. */
export const LASTING_USES = ['path', 'film', 'kept'] as const satisfies readonly PieceUse[];
export type LastingUse = (typeof LASTING_USES)[number];
export const isLasting = (use: PieceUse | undefined): use is LastingUse =>
  LASTING_USES.some((u) => u === use);

export interface StripLife {
  /** Kind of a path, sort of a film, or the plant in words. */
  what: string;
  /** Sown, laid or planted. ISO date. */
  since: string;
  /** How long it is meant to last; null where nobody said. */
  years: number | null;
  /** Height to which a path is mown, cm. */
  low_cm?: number | undefined;
  /** Holes in a film, across and from one to the next, cm. */
  holes?: { across_cm: number; apart_cm: number } | undefined;
  done: StripPass[];
}

/** Something that was done to a strip. */
export interface StripPass {
  kind: StripDeed;
  on: string;
  minutes?: number | undefined;
  /** What was carried off it, fresh; absent where it was left to lie. */
  took_kg?: number | undefined;
  /** The bed onto which that was carried; absent where it left the beds. */
  to?: string | undefined;
}

/** Deeds that take something off, which can be carried on to a bed. */
export const TAKES: readonly StripDeed[] = ['mow', 'trim'];

/** What each use asks for, in the order of its card. */
export const DEEDS_OF: Record<LastingUse, readonly StripDeed[]> = {
  path: ['mow', 'mend'],
  film: ['mend', 'straw'],
  kept: ['trim', 'straw'],
};

/** Days of the northern year on which something is due every year: film is looked over as the beds are made, plants are trimmed before sap, strawed before frost. */
const YEARLY: Record<
  Exclude<LastingUse, 'path'>,
  Partial<Record<StripDeed, [month: number, day: number]>>
> = {
  film: { mend: [4, 1] },
  kept: { trim: [2, 15], straw: [11, 1] },
};
/** A deed of the year is not asked for again, nor of what was laid or planted, before so many days have passed. */
const YEARLY_AFTER_D = 200;
const HALF_YEAR_MONTHS = 6;

/** First such day of a year from `day` on; half a year later in the south. */
function yearlyFrom(day: Day, [month, on]: [number, number], south: boolean): Day {
  const here = south ? ((month - 1 + HALF_YEAR_MONTHS) % 12) + 1 : month;
  const inYear = (y: number) => dayOf(`${y}-${String(here).padStart(2, '0')}-${String(on).padStart(2, '0')}`);
  const first = inYear(yearOf(day));
  return first >= day ? first : inYear(yearOf(day) + 1);
}

/** The same day so many years later; the day after it where that year lacks it. */
function plusYears(iso: string, years: number): Day {
  const whole = Math.floor(years);
  const year = yearOf(dayOf(iso)) + whole;
  const same = dayOf(`${year}${iso.slice(4)}`);
  return (Number.isNaN(same) ? dayOf(`${year}-03-01`) : same) + Math.round((years - whole) * 365);
}

/** Day by which it must be lifted or made anew; undefined where nobody said how long it lasts. */
export const endsOn = (life: StripLife): Day | undefined =>
  life.years === null ? undefined : plusYears(life.since, life.years);

/** Whole years that it has lasted by a day. */
export function ageOf({ since }: StripLife, on: Day): number {
  const years = yearOf(on) - yearOf(dayOf(since));
  return Math.max(0, plusYears(since, years) > on ? years - 1 : years);
}

export interface Strip {
  id: string;
  use: LastingUse;
  life: StripLife;
  /** First and last day on which it is such a strip. */
  from: Day;
  until: Day;
}

/** Strips among pieces of beds: those of which somebody said what they are. */
export function stripsOf<
  B extends {
    id: string;
    piece?: { use: PieceUse; from: string; until: string | null } | undefined;
    life?: StripLife | undefined;
  },
>(beds: readonly B[]): Strip[] {
  return beds.flatMap(({ id, piece, life }) =>
    piece && life && isLasting(piece.use)
      ? [
          {
            id,
            use: piece.use,
            life,
            from: dayOf(piece.from),
            until: piece.until === null ? Infinity : dayOf(piece.until),
          },
        ]
      : [],
  );
}

/** From cut to cut where nobody has asked how it grows. */
const MOW_EVERY_D = 28;
const UNSETTLED_AFTER_D = 21;

/**
 * Answers: what is due next on strips that live for years? One job of each kind: mowing on the day that growth gives, what comes every year, and the day on
 * which it must be lifted or made anew.
 * @param mowOn days on which paths reach the height at which they are mown, by id
 */
export function stripJobs(
  strips: readonly Strip[],
  today: Day,
  south: boolean,
  mowOn: ReadonlyMap<string, Day> = new Map(),
): Job[] {
  return strips
    .flatMap((s) => {
      if (today >= s.until) return [];
      const last = (kind: StripDeed) =>
        Math.max(...s.life.done.filter((d) => d.kind === kind).map((d) => dayOf(d.on)), -Infinity);
      const began = Math.max(s.from, dayOf(s.life.since));
      const job = (kind: Job['kind'], on: Day, waits: Job['waits'], asked = false): Job => ({
        id: `${s.id}:${kind}`,
        kind,
        bedId: s.id,
        refId: s.id,
        on: isoOf(on),
        waits,
        unsettled: asked && today - on > UNSETTLED_AFTER_D,
      });
      const jobs: Job[] = [];
      if (s.use === 'path')
        jobs.push(job('mow', mowOn.get(s.id) ?? Math.max(last('mow'), began) + MOW_EVERY_D, 'days'));
      else
        for (const [kind, day] of Object.entries(YEARLY[s.use]) as [StripDeed, [number, number]][])
          jobs.push(
            job(kind, yearlyFrom(Math.max(last(kind), began) + YEARLY_AFTER_D, day, south), 'weeks', true),
          );
      const ends = endsOn(s.life);
      if (ends !== undefined) jobs.push(job(s.use === 'film' ? 'lift' : 'renew', ends, 'weeks'));
      return jobs.filter((j) => dayOf(j.on) < s.until);
    })
    .sort((a, b) => a.on.localeCompare(b.on) || a.id.localeCompare(b.id));
}

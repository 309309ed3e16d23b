import { walkLength_m, walkOrder } from '../ground/walk.ts';
import { type Point } from '../ground/shape.ts';
import { type QuestionKind } from './question.ts';

// The way past the beds that are due, and what the day's light and weather do to it.

/** Today as far as it was measured or is forecast. */
export interface WalkDay {
  low_c?: number;
  rain_mm?: number;
  /** Rain of tomorrow. */
  rainNext_mm?: number;
  /** Hours from sunrise to sunset. */
  light_h: number;
}

/** What to know of the day before setting out. */
export type WalkNote =
  | { is: 'frozen'; low_c: number }
  | { is: 'wet'; mm: number }
  | { is: 'rain-ahead'; mm: number }
  | { is: 'short-day'; light_h: number };

interface Due {
  bedId: string;
  question: { kind: QuestionKind; minutes: number };
}

export interface Way<T> {
  order: T[];
  /** Metres from where it begins past all beds; undefined where a bed on it lies nowhere yet. */
  length_m?: number;
  notes: WalkNote[];
}

/** A slow walk with a bucket and a phone in hand, m a minute. */
export const PACE_M_MIN = 40;
/** Leaves that are frozen look dead until they have thawed. */
const FREEZES_C = -1;
/** Wet leaves shine in a picture, and wet soil smears, from so much rain on. */
const WET_MM = 2;
/** Rain that would wash a picture, a look for seed, or the walk itself away. */
const RAIN_AHEAD_MM = 5;
/** A day this short leaves little of it after work. */
const SHORT_DAY_H = 10;
/** Whether it lives cannot be told of frozen leaves. */
const WANTS_THAW: ReadonlySet<QuestionKind> = new Set(['alive', 'crowns']);
const WANTS_DRY: ReadonlySet<QuestionKind> = new Set(['cover', 'seed', 'soil']);

/**
 * Answers: in which order are the beds that are due walked past? The short way from `from`, where all of them lie on the plan, else as they are given;
 * the questions of one bed together. What cannot be told of frozen leaves comes last, on a second way from where the first ends.
 * @param places where each bed lies, m; null for one that nobody has laid out
 */
export function wayOf<T extends Due>(
  due: readonly T[],
  places: ReadonlyMap<string, Point | null>,
  from: Point | undefined,
  day: WalkDay,
): Way<T> {
  const frozen = (day.low_c ?? 0) <= FREEZES_C && due.some((d) => WANTS_THAW.has(d.question.kind));
  const late = (d: T) => frozen && WANTS_THAW.has(d.question.kind);
  const legs = [due.filter((d) => !late(d)), due.filter(late)].filter((leg) => leg.length > 0);
  const order: T[] = [];
  let length_m: number | undefined = 0;
  let at = from;
  for (const leg of legs) {
    const beds = [...new Set(leg.map((d) => d.bedId))];
    const points = beds.map((b) => places.get(b) ?? null).filter((p) => p !== null);
    const laidOut = points.length === beds.length;
    const way = laidOut ? walkOrder(points, at ?? points[0]!) : [...beds.keys()];
    for (const i of way) order.push(...leg.filter((d) => d.bedId === beds[i]));
    const walked = way.map((i) => points[i]!);
    length_m =
      laidOut && length_m !== undefined ? length_m + walkLength_m(at ? [at, ...walked] : walked) : undefined;
    if (laidOut) at = walked.at(-1);
  }
  return { order, length_m, notes: notesOf(due, day, frozen) };
}

function notesOf(due: readonly Due[], day: WalkDay, frozen: boolean): WalkNote[] {
  const notes: WalkNote[] = [];
  const { rain_mm = 0, rainNext_mm = 0 } = day;
  const dry = due.some((d) => WANTS_DRY.has(d.question.kind));
  if (frozen) notes.push({ is: 'frozen', low_c: day.low_c! });
  if (rain_mm >= WET_MM && dry) notes.push({ is: 'wet', mm: rain_mm });
  else if (rainNext_mm >= RAIN_AHEAD_MM && due.length > 0) notes.push({ is: 'rain-ahead', mm: rainNext_mm });
  if (day.light_h < SHORT_DAY_H && due.length > 0) notes.push({ is: 'short-day', light_h: day.light_h });
  return notes;
}

/** Minutes that the questions and the steps between them take. */
export const walkMinutes = (due: readonly Due[], length_m = 0): number =>
  Math.round(due.reduce((sum, d) => sum + d.question.minutes, 0) + length_m / PACE_M_MIN);

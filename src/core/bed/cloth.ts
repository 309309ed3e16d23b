import { type Day } from '../calendar/day.ts';
import { type Cell, cellsOf, type Ground, isGrown } from './pieces.ts';
import {
  bareDays,
  type CoverSpan,
  type PlantingSpan,
  plantingDays,
  type Segment,
  coverDays,
  stripOf,
  unknownDays,
} from './timeline.ts';

/** A part of the cloth with what is woven in it. */
export interface Woven<B extends Ground> extends Cell<B> {
  segments: Segment[];
}

/** First day of the records of each ground. */
function beginnings(plantings: readonly PlantingSpan[], covers: readonly CoverSpan[]): Map<string, Day> {
  const first = new Map<string, Day>();
  const tell = (bedId: string, day: Day) => first.set(bedId, Math.min(day, first.get(bedId) ?? day));
  for (const p of plantings) tell(p.bedId, plantingDays(p).from);
  for (const c of covers) tell(c.bedId, coverDays(c).from);
  return first;
}

/** The cloth between two days: every strip, whole or in pieces, and what is woven in each. */
export function clothOf<B extends Ground>(
  beds: readonly B[],
  plantings: PlantingSpan[],
  covers: CoverSpan[],
  from: Day,
  to: Day,
): Woven<B>[] {
  const first = beginnings(plantings, covers);
  return cellsOf(beds, (id) => first.get(id), from, to).map((cell) => ({
    ...cell,
    segments: stripOf(cell.bed.id, plantings, covers, cell.from, cell.to),
  }));
}

/** Bed-days on which nothing grew or lay; of a piece its share of them. Paths, film and what is kept are no holes. */
export const bareOf = (cloth: readonly Woven<Ground>[]): number =>
  Math.round(cloth.reduce((sum, c) => sum + (isGrown(c.bed) ? c.width * bareDays([c.segments]) : 0), 0));

/** Bed-days before today of which nobody logged what stood there, counted likewise. */
export const unknownOf = (cloth: readonly Woven<Ground>[], now: Day): number =>
  Math.round(cloth.reduce((sum, c) => sum + c.width * unknownDays([c.segments], now), 0));

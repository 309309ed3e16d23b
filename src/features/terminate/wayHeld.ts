import { type Day } from '../../core/calendar/day.ts';
import { type EndingAnswer } from '../../core/plan/answers.ts';
import { type MethodHere, takeApart } from '../../core/termination/method.ts';
import { type Scale } from '../../ui/downward.ts';

/** Days of the passes: of the first, and of each later one from it; null for what waits until the stand is dead. */
export interface Held {
  startDay: Day;
  after_d: (number | null)[];
}

export interface WayProps {
  method: MethodHere;
  name: string;
  ending: EndingAnswer;
  parts: { speciesId: string; share: number }[];
  scale: Scale;
  plantDay: Day;
  /** Day on which frost or heat ends the stand before any hand does; Infinity where they are not relied on. */
  dies: Day;
  /** Passes begin no earlier. */
  least: Day;
  move(held: Held): void;
}

/** Width of a way's strip, half the width of a knot, px. */
export const WAY_PX = 112;

export const KNOT = 9;

/** Passes that last, and are drawn from their first day to their last. */
export const ANIMALS = new Set(['hens', 'pigs', 'graze']);

export const heldOf = (method: MethodHere, ending: EndingAnswer): Held => ({
  startDay: ending.startDay,
  after_d: method.passes.map((p) => p.after_d),
});

export interface Knot {
  index: number;
  kind: string;
  day: Day;
  movable: boolean;
}

/** Where the passes of a way hang. What falls on the day of another pass hangs with it. */
export function knotsOf(method: MethodHere, ending: EndingAnswer, plantDay: Day): Knot[] {
  const waits = takeApart(method).waits !== null;
  const knots: Knot[] = [];
  method.passes.forEach((p, index) => {
    const lifted = Number.isFinite(ending.dead.high) ? Math.ceil(ending.dead.high) : plantDay;
    const day = p.after_d === null ? Math.min(plantDay, lifted) : ending.startDay + p.after_d;
    if (knots.some((k) => k.day === day)) return;
    knots.push({ index, kind: p.kind, day, movable: !waits && p.after_d !== null });
  });
  return knots;
}

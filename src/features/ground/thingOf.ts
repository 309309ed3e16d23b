import { parseNumber } from '../../core/units/number.ts';
import { type Thing } from '../../records/things.ts';
import type { Garden } from '../../records/types.ts';

export const whole = (least: number, most: number) => (text: string) => {
  const n = parseNumber(text, least, most);
  return n.ok ? { ok: true as const, value: Math.round(n.value) } : n;
};

/** A year, or nothing where it is not known. */
export const yearOrNone = (text: string) =>
  text.trim() === '' ? { ok: true as const, value: null } : whole(1990, 2100)(text);

export interface OfThing<T extends Thing = Thing> {
  thing: T;
  garden: Garden;
  edit(patch: Partial<T>): void;
}

export type ThingOf<K extends Thing['of']> = Extract<Thing, { of: K }>;

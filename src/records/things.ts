import { z } from 'zod';
import { isThingKind, SHEET_GRADES, SHEET_SORTS, USUAL_THINGS } from '../core/work/things.ts';

// What a garden has few of, and who works in it. A kit tick says only that there is one; a thing says how large.

const metres = z.number().min(0.1).max(500);
const common = {
  id: z.string().min(1).max(80),
  name: z.string().min(1).max(60),
  /** Lent by somebody. */
  borrowed: z.boolean(),
  /** False while its size is only the usual one and the gardener has not been asked. */
  asked: z.boolean(),
};

export const thingSchema = z.discriminatedUnion('of', [
  z.object({
    ...common,
    of: z.literal('opaque-sheet'),
    width_m: metres,
    length_m: metres,
    sort: z.enum(SHEET_SORTS),
    grade: z.enum(SHEET_GRADES),
    /** Year it was bought, when that is known. */
    since: z.number().int().min(1990).max(2100).nullable(),
  }),
  z.object({ ...common, of: z.literal('clear-film'), width_m: metres, length_m: metres }),
  z.object({
    ...common,
    of: z.literal('crimper-board'),
    length_m: z.number().min(0.2).max(3),
    edges: z.number().int().min(1).max(4),
  }),
  z.object({
    ...common,
    of: z.literal('hen-pen'),
    width_m: z.number().min(0.3).max(20),
    length_m: z.number().min(0.3).max(50),
    hens: z.number().int().min(1).max(500),
    wholeDay: z.boolean(),
  }),
  z.object({ ...common, of: z.literal('pig-fence'), heads: z.number().int().min(1).max(500) }),
  z.object({ ...common, of: z.literal('stock-fence'), heads: z.number().int().min(1).max(500) }),
  ...(['mower', 'string-trimmer', 'flail-mower', 'tiller', 'flame-weeder'] as const).map((of) =>
    z.object({ ...common, of: z.literal(of) }),
  ),
]);
export type Thing = z.infer<typeof thingSchema>;

export const personSchema = z.object({
  id: z.string().min(1).max(80),
  name: z.string().min(1).max(60),
  /** Hours for the beds in a usual week. */
  hoursAWeek: z.number().min(0).max(80),
  mass_kg: z.number().min(25).max(220),
  skill: z.enum(['beginner', 'practised', 'expert']),
});
export type Person = z.infer<typeof personSchema>;

/** Whoever gardens before anybody was asked; the hours hold nobody to anything until then. */
export const USUAL_PERSON: Omit<Person, 'id'> = {
  name: 'You',
  hoursAWeek: 5,
  mass_kg: 75,
  skill: 'practised',
};

export const windSchema = z.object({
  exposure: z.enum(['open', 'garden', 'sheltered']),
  /** Strongest gust to be met in a usual year, km/h at 10 m as forecasts give it. */
  gust_km_h: z.number().min(20).max(200),
});
export const USUAL_WIND: z.infer<typeof windSchema> = { exposure: 'garden', gust_km_h: 60 };

const NAMES: Record<Thing['of'], string> = {
  'opaque-sheet': 'Sheet',
  'clear-film': 'Clear film',
  'crimper-board': 'Board',
  'hen-pen': 'Hen pen',
  'pig-fence': 'Pigs',
  'stock-fence': 'Sheep or goats',
  mower: 'Mower',
  'string-trimmer': 'String trimmer',
  'flail-mower': 'Flail mower',
  tiller: 'Tiller',
  'flame-weeder': 'Flame weeder',
};

/** A thing of the usual size, not asked about yet; `beside` are those that are there already, so that it gets a name of its own. */
export function usualThing(of: Thing['of'], id: string, beside: readonly Thing[] = []): Thing {
  const taken = new Set(beside.map((t) => t.name));
  let name = NAMES[of];
  for (let k = 2; taken.has(name); k++) name = `${NAMES[of]} ${k}`;
  const more = of === 'opaque-sheet' ? { since: null } : {};
  return { ...USUAL_THINGS[of], ...more, id, name, borrowed: false, asked: false } as Thing;
}

/** Ticks of a kit taken apart: what has a size becomes one thing of the usual size. */
export function thingsOfKit(ticks: readonly string[]): { kit: string[]; things: Thing[] } {
  const things: Thing[] = [];
  for (const id of new Set(ticks)) if (isThingKind(id)) things.push(usualThing(id, id, things));
  return { kit: ticks.filter((id) => !isThingKind(id)), things };
}

/** Ids of all tools there are: ticked ones, and those that are known by size. */
export const kitOf = (garden: {
  kit: readonly string[];
  things?: readonly Pick<Thing, 'of'>[];
}): string[] => [...new Set([...garden.kit, ...(garden.things ?? []).map((t) => t.of)])];

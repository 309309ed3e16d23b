import { type TableName } from './types.ts';

type Row = Record<string, unknown>;

/** A value taken apart into what is written one by one, and put together again. */
export interface Split {
  of(value: unknown): Map<string, unknown>;
  from(parts: Map<string, unknown>): unknown;
}

/** Fields of which each key is a word of its own: one house rule, one price, one step of a sowing. */
const BY_KEY: Partial<Record<TableName, readonly string[]>> = {
  gardens: ['rules', 'units', 'seedPrices', 'packs', 'choices', 'wind', 'rotationForces'],
  beds: ['soil', 'choices'],
  covers: ['walk'],
};
/** Lists in which each thing is there or not, in no order: one tool, one trouble. */
const SETS: Partial<Record<TableName, readonly string[]>> = {
  gardens: ['kit', 'keeps'],
  beds: ['troubles'],
  covers: ['thingIds'],
};
/** Lists of things with ids of their own: each is one word. */
const BY_ID: Partial<Record<TableName, readonly string[]>> = {
  gardens: ['things', 'people', 'trials', 'marks', 'ownKinds'],
};

/** Where a part of a field stands: "rules.noFire", "passes.1". */
export const partOf = (field: string, part: string): string => `${field}.${part}`;

export const isRow = (x: unknown): x is Row => typeof x === 'object' && x !== null && !Array.isArray(x);

/** How two values of a field are taken apart; undefined where each is one word. Steps of one plan, or seed of one mix, are parts while they are the same steps. */
export function splitOf(table: TableName, field: string, a: unknown, b: unknown): Split | undefined {
  if (table === 'beds' && field === 'life' && isRow(a) && isRow(b)) return LIFE;
  if (BY_KEY[table]?.includes(field) && isRow(a) && isRow(b)) return KEYS;
  if (SETS[table]?.includes(field) && Array.isArray(a) && Array.isArray(b)) return THINGS;
  if (BY_ID[table]?.includes(field) && Array.isArray(a) && Array.isArray(b)) return NAMED;
  return alike(a, b) ? PLACES : undefined;
}

const KEYS: Split = {
  of: (v) => new Map(Object.entries(v as Row)),
  from: (parts) => Object.fromEntries(parts),
};
const THINGS: Split = {
  of: (v) => new Map((v as string[]).map((x) => [x, true])),
  from: (parts) => [...parts.keys()],
};
const NAMED: Split = {
  of: (v) => new Map((v as Row[]).map((x) => [String(x.id), x])),
  from: (parts) => [...parts.values()],
};
const PLACES: Split = {
  of: (v) => new Map((v as unknown[]).map((x, i) => [String(i), x])),
  from: (parts) => [...parts].sort(([i], [k]) => Number(i) - Number(k)).map(([, x]) => x),
};

/** What a strip is, word by word, and each of the deeds that were done to it: mown on one device and mended on another, it was both. */
const LIFE: Split = {
  of: (v) => {
    const { done = [], ...said } = v as Row & { done?: Row[] };
    return new Map<string, unknown>([
      ...Object.entries(said),
      ...done.map((d) => [`${DEED} ${String(d.on)} ${String(d.kind)}`, d] as const),
    ]);
  },
  from: (parts) => {
    const isDeed = ([key]: readonly [string, unknown]) => key.startsWith(`${DEED} `);
    const deeds = [...parts].filter(isDeed).sort(([a], [b]) => a.localeCompare(b));
    const said = [...parts].filter((p) => !isDeed(p));
    return { ...Object.fromEntries(said), done: deeds.map(([, d]) => d) };
  },
};
const DEED = 'done';

const alike = (a: unknown, b: unknown): boolean =>
  Array.isArray(a) &&
  Array.isArray(b) &&
  a.length === b.length &&
  a.length > 0 &&
  a.every((x, i) => isRow(x) && isRow(b[i]) && x.kind === b[i].kind && x.speciesId === b[i].speciesId);

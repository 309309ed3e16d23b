import { dayOf } from '../calendar/day.ts';
import { type StripPass } from '../strips/life.ts';
import { type GardenYear } from './years.ts';

/**
 * What is carried onto a bed or off it, by fresh weight. Shares are middles of what tables of fertilisers, feeds and foods give, the spread behind them:
 * dry matter of the fresh weight, and nitrogen of the fresh weight.
 */
export const MOVED = {
  // Garden compost, 0.5-1.2 % nitrogen.
  compost: { way: 'on', dry: 0.6, nitrogen: 0.008 },
  // Cattle or horse with straw, 0.4-0.7 %.
  manure: { way: 'on', dry: 0.25, nitrogen: 0.0055 },
  // Hen dung from a floor, 1.2-2.5 %.
  'hen-manure': { way: 'on', dry: 0.5, nitrogen: 0.018 },
  // Straw, 0.4-0.7 %.
  straw: { way: 'on', dry: 0.86, nitrogen: 0.0055 },
  // Fresh clippings, 0.4-0.8 %.
  grass: { way: 'on', dry: 0.2, nitrogen: 0.006 },
  // Half-dry autumn leaves, 0.3-0.6 %.
  leaves: { way: 'on', dry: 0.5, nitrogen: 0.0045 },
  // Chips of branches, 0.15-0.35 %.
  chips: { way: 'on', dry: 0.6, nitrogen: 0.0025 },
  // Bagged organic feeds, 4-7 % unless the bag says otherwise.
  feed: { way: 'on', dry: 0.9, nitrogen: 0.05 },
  // Vegetables as they are carried off, 0.15-0.4 %.
  harvest: { way: 'off', dry: 0.1, nitrogen: 0.0025 },
  // Residue and tops as they are cut, 0.3-0.7 %.
  tops: { way: 'off', dry: 0.17, nitrogen: 0.005 },
  // Hay as it is carried, 1.2-2.2 %.
  hay: { way: 'off', dry: 0.85, nitrogen: 0.017 },
} as const;
export type MovedKind = keyof typeof MOVED;
export const MOVED_KINDS = Object.keys(MOVED) as [MovedKind, ...MovedKind[]];

export interface MovedNote {
  bedId: string;
  on: string;
  moved?: { what: MovedKind; kg: number; nitrogenPct?: number | undefined } | undefined;
}

/** A cover's passes, as far as the ledger needs them. */
export interface WorkedCover {
  bedId: string;
  wayId?: string;
  sownOn?: string | null;
  seed?: readonly { speciesId: string; used_g: number | null; lotId?: string | null }[];
  method: string;
  passes: {
    kind: string;
    doneOn: string | null;
    minutes?: number | undefined;
    took_kg?: number | undefined;
  }[];
}

/** A bed, and what was done to it where it is a strip that lives for years. */
export interface LedgerBed {
  id: string;
  area_m2: number;
  life?: { done: readonly StripPass[] } | undefined;
}

/** What one way has come to. */
export interface Carried {
  kg: number;
  dry_kg: number;
  nitrogen_g: number;
}

export interface Ledger {
  bedId: string;
  on: Carried;
  off: Carried;
  /** Nitrogen that came less what went, g/m2: what was weighed, and nothing of what legumes fixed or rain washed out. */
  balance_g_m2: number;
  /** Minutes that were logged at ending covers and at strips, and how many passes have none. */
  minutes: number;
  untimed: number;
  /** The deepest that its ground was turned or torn, cm, and how often it was; null where it was left in peace. */
  turned: { depth_cm: number; times: number } | null;
  /** What the seed that was thrown cost, in the garden's currency, where its price is known; seed of one's own or a gift costs nothing. */
  seedCost: number;
}

/** How deep hands go, cm: a spade's blade, a hoe's stroke, roots that are pulled, pigs (usual depths). */
const TURNS_CM: Readonly<Record<string, number>> = { dig: 25, bury: 15, pigs: 15, pull: 10, hoe: 3 };

const none = (): Carried => ({ kg: 0, dry_kg: 0, nitrogen_g: 0 });

function carry(to: Carried, what: MovedKind, kg: number, nitrogenPct?: number): void {
  const { dry, nitrogen } = MOVED[what];
  to.kg += kg;
  to.dry_kg += kg * dry;
  to.nitrogen_g += kg * 1000 * (nitrogenPct === undefined ? nitrogen : nitrogenPct / 100);
}

const within = (on: string | null, { from, to }: GardenYear): boolean =>
  on !== null && dayOf(on) >= from && dayOf(on) < to;

/**
 * What came onto each bed in a year, what left it, and the work that its covers took, or the strip that it is; beds of which nothing was written down are left out.
 * @param loosens_cm how deep the ground is loosened for a way of sowing
 */
export function ledgerOf(
  beds: readonly LedgerBed[],
  notes: readonly MovedNote[],
  covers: readonly WorkedCover[],
  year: GardenYear,
  price: (speciesId: string, lotId: string | null) => number | undefined = () => undefined,
  loosens_cm: (wayId: string) => number | undefined = () => undefined,
): Ledger[] {
  const onStrips = beds.flatMap(({ id, life }) =>
    (life?.done ?? []).filter((d) => within(d.on, year)).map((d) => ({ ...d, strip: id })),
  );
  return beds.flatMap(({ id, area_m2 }) => {
    const [on, off] = [none(), none()];
    let minutes = 0;
    let untimed = 0;
    let some = false;
    let seedCost = 0;
    let turned: Ledger['turned'] = null;
    for (const { bedId, on: day, moved } of notes) {
      if (bedId !== id || !moved || !within(day, year)) continue;
      some = true;
      carry(MOVED[moved.what].way === 'on' ? on : off, moved.what, moved.kg, moved.nitrogenPct);
    }
    for (const { bedId, passes, sownOn = null, seed = [], wayId = '' } of covers) {
      if (bedId !== id) continue;
      if (within(sownOn, year)) {
        const depth_cm = loosens_cm(wayId);
        if (depth_cm !== undefined) some = true;
        turned = deeper(turned, depth_cm);
        for (const s of seed) {
          const cost = ((s.used_g ?? 0) / 1000) * (price(s.speciesId, s.lotId ?? null) ?? 0);
          if (cost > 0) some = true;
          seedCost += cost;
        }
      }
      for (const p of passes) {
        if (!within(p.doneOn, year)) continue;
        some = true;
        turned = deeper(turned, TURNS_CM[p.kind]);
        if (p.minutes === undefined) untimed++;
        else minutes += p.minutes;
        if (p.took_kg) carry(off, p.kind === 'take-hay' ? 'hay' : 'tops', p.took_kg);
      }
    }
    for (const { strip, kind, minutes: took, took_kg, to } of onStrips) {
      // Mown grass and clover are one thing to a scale, what is cut off a plant that stays another.
      const what = kind === 'mow' ? 'grass' : 'tops';
      if (took_kg !== undefined && to === id) {
        some = true;
        carry(on, what, took_kg);
      }
      if (strip !== id) continue;
      some = true;
      if (took === undefined) untimed++;
      else minutes += took;
      if (took_kg !== undefined) carry(off, what, took_kg);
    }
    const balance_g_m2 = (on.nitrogen_g - off.nitrogen_g) / area_m2;
    return some ? [{ bedId: id, on, off, balance_g_m2, minutes, untimed, turned, seedCost }] : [];
  });
}

const deeper = (was: Ledger['turned'], depth_cm: number | undefined): Ledger['turned'] =>
  depth_cm === undefined
    ? was
    : { depth_cm: Math.max(depth_cm, was?.depth_cm ?? 0), times: (was?.times ?? 0) + 1 };

export interface WayHours {
  method: string;
  beds: number;
  minutes: number;
  /** Minutes on a hundred square metres, over the beds that were timed from the first pass to the last. */
  minutesPer100m2: number | undefined;
}

/** What each way of ending has taken in a year, dearest first. */
export function hoursByWay(
  beds: readonly { id: string; area_m2: number }[],
  covers: readonly WorkedCover[],
  year: GardenYear,
): WayHours[] {
  const areas = new Map(beds.map((b) => [b.id, b.area_m2]));
  const ways = new Map<string, { beds: Set<string>; minutes: number; timed: number; area: number }>();
  for (const { bedId, method, passes } of covers) {
    const done = passes.filter((p) => within(p.doneOn, year));
    if (done.length === 0) continue;
    const way = ways.get(method) ?? { beds: new Set<string>(), minutes: 0, timed: 0, area: 0 };
    ways.set(method, way);
    way.beds.add(bedId);
    const minutes = done.reduce((sum, p) => sum + (p.minutes ?? 0), 0);
    way.minutes += minutes;
    if (done.length === passes.length && done.every((p) => p.minutes !== undefined)) {
      way.timed += minutes;
      way.area += areas.get(bedId) ?? 0;
    }
  }
  return [...ways]
    .map(([method, w]) => ({
      method,
      beds: w.beds.size,
      minutes: w.minutes,
      minutesPer100m2: w.area > 0 ? (w.timed * 100) / w.area : undefined,
    }))
    .sort((a, b) => b.minutes - a.minutes || a.method.localeCompare(b.method));
}

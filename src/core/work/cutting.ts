import { power } from '../units/exact.ts';
import { fresh_kg_m2 } from '../stand/fresh.ts';
import { type EndingFigures } from './figures.ts';
import { type Skill } from './things.ts';

// Blades against stems. Figures are practice and derivation (low to middling confidence); work norms of hand reaping agree: sickle some 60 minutes and
// scythe 12-15 minutes for 100 m2 of ripe grain.

export const CUTTERS = [
  'shears',
  'sickle',
  'scythe',
  'hedge-trimmer',
  'string-trimmer',
  'mower',
  'flail-mower',
] as const;
export type Cutter = (typeof CUTTERS)[number];

interface ToolFigures {
  /** Thickest stem it goes through, mm, by hardness 1-4; 0 for not at all. */
  goes_mm: [number, number, number, number];
  leastStubble_cm: number;
  /** Minutes for 100 m2 at 400 g/m2, and how they grow with the stand. */
  base: number;
  k: number;
  /** A beginner and an expert against a practised hand. */
  beginner: number;
  expert: number;
  /** Tallest stand at full speed, m. */
  tall_m?: number;
  /** Heaviest stand, fresh kg/m2, at full width. */
  fresh_kg_m2?: number;
  /** It crosses no raised edge and no kept plant. */
  rolls?: boolean;
}
export const TOOLS: Record<Cutter, ToolFigures> = {
  shears: { goes_mm: [12, 8, 5, 3], leastStubble_cm: 0, base: 140, k: 0.7, beginner: 1.5, expert: 0.75 },
  sickle: { goes_mm: [10, 8, 5, 0], leastStubble_cm: 2, base: 100, k: 0.6, beginner: 1.7, expert: 0.65 },
  scythe: {
    goes_mm: [8, 6, 4, 0],
    leastStubble_cm: 2,
    base: 18,
    k: 0.4,
    beginner: 2.5,
    expert: 0.65,
    fresh_kg_m2: 6,
  },
  'hedge-trimmer': {
    goes_mm: [15, 12, 10, 8],
    leastStubble_cm: 2,
    base: 30,
    k: 0.4,
    beginner: 1.4,
    expert: 0.8,
  },
  'string-trimmer': {
    goes_mm: [8, 6, 3, 0],
    leastStubble_cm: 0,
    base: 25,
    k: 0.7,
    beginner: 1.4,
    expert: 0.8,
  },
  mower: {
    goes_mm: [10, 8, 5, 0],
    leastStubble_cm: 2.5,
    base: 12,
    k: 0.6,
    beginner: 1.2,
    expert: 0.9,
    tall_m: 0.5,
    fresh_kg_m2: 2.5,
    rolls: true,
  },
  'flail-mower': {
    goes_mm: [25, 25, 20, 15],
    leastStubble_cm: 3,
    base: 6,
    k: 0.4,
    beginner: 1.3,
    expert: 0.9,
    fresh_kg_m2: 8,
    rolls: true,
  },
};

/** A kind as it stands when the blade comes. */
export interface Standing {
  figures: EndingFigures;
  stage: number;
}

const BUD = 2;
const RIPE = 4;
/** Thickness of its stems now, mm: two thirds of the flower figure while leafy, nine tenths at bud and when ripe. */
export function stem_mm({ figures, stage }: Standing): number {
  const mid = (figures.stem_mm[0] + figures.stem_mm[1]) / 2;
  const times = stage < BUD ? 0.7 : stage < 3 ? 0.9 : stage < RIPE ? 1 : 0.9;
  return mid * times;
}
export const hardness = ({ figures, stage }: Standing): number =>
  figures.hardness[stage < BUD ? 0 : stage < RIPE ? 1 : 2];

/**
 * Highest stubble that still kills, cm; null where no height does, below nothing where the blade has to go under the soil. In a mix the lowest counts, and one
 * kind that no height kills decides for all.
 */
export function stubble_cm(stand: readonly Standing[]): { kill_cm: number | null; keep_cm: number } {
  const kill = stand.map((s) => (s.stage < BUD ? s.figures.stubbleLeafy_cm : s.figures.stubble_cm));
  return {
    kill_cm: kill.some((k) => k === null) ? null : Math.min(...(kill as number[])),
    keep_cm: Math.max(0, ...stand.map((s) => s.figures.stubbleKeep_cm ?? 0)),
  };
}

export interface ToolFit {
  tool: Cutter;
  /** `awkward` takes twice as long; `no` is not offered. */
  fits: 'well' | 'awkward' | 'no';
  /** What stops it or slows it. */
  why?: 'stem' | 'tall' | 'heavy' | 'edge';
  /** For this tool, this hand and this stand, without edges. */
  minutesPer100m2: number;
}

const AWKWARD_TIMES = 2;
const TOO_THICK = 1.5;
const M_USUAL_G_M2 = 400;

/** Minutes for 100 m2 of a stand: base x (M/400)^k, held to 0.6-2.2, times the hand. */
export function cutMinutes(tool: Cutter, dm_g_m2: number, skill: Skill): number {
  const t = TOOLS[tool];
  const heavy = Math.max(0.6, Math.min(2.2, power(dm_g_m2 / M_USUAL_G_M2, t.k)));
  return t.base * heavy * (skill === 'beginner' ? t.beginner : skill === 'expert' ? t.expert : 1);
}

/** How each owned blade takes this stand, the quickest that fits well first. */
export function toolsFor(
  owned: readonly string[],
  stand: readonly Standing[],
  dm_g_m2: number,
  height_m: number,
  skill: Skill,
  edged: boolean,
): ToolFit[] {
  const stage = Math.max(0, ...stand.map((s) => s.stage));
  const fresh = fresh_kg_m2(dm_g_m2, stage);
  const rate = (tool: Cutter): ToolFit => {
    const t = TOOLS[tool];
    const minutes = cutMinutes(tool, dm_g_m2, skill);
    const worst = Math.max(0, ...stand.map((s) => stem_mm(s) / t.goes_mm[hardness(s) - 1]!));
    if (worst > TOO_THICK) return { tool, fits: 'no', why: 'stem', minutesPer100m2: minutes };
    if (edged && t.rolls)
      return { tool, fits: 'awkward', why: 'edge', minutesPer100m2: minutes * AWKWARD_TIMES };
    const slow: ToolFit['why'] =
      worst > 1
        ? 'stem'
        : t.tall_m !== undefined && height_m > t.tall_m
          ? 'tall'
          : t.fresh_kg_m2 !== undefined && fresh > t.fresh_kg_m2
            ? 'heavy'
            : undefined;
    if (slow) return { tool, fits: 'awkward', why: slow, minutesPer100m2: minutes * AWKWARD_TIMES };
    return { tool, fits: 'well', minutesPer100m2: minutes };
  };
  const order = { well: 0, awkward: 1, no: 2 } as const;
  return CUTTERS.filter((t) => owned.includes(t))
    .map(rate)
    .sort((a, b) => order[a.fits] - order[b.fits] || a.minutesPer100m2 - b.minutesPer100m2);
}

/** Heights, cm, at which a rotary mower goes over a stand in turn, the last the lowest; more than half at once stalls it. */
export function mowingHeights(height_m: number, last_cm: number): number[] {
  const heights: number[] = [];
  let at = height_m * 100;
  while (at > last_cm * 2.2 && at > 45 && heights.length < 4) {
    at = Math.max(last_cm, at / 2.5);
    heights.push(Math.round(at));
  }
  return [...heights.filter((h) => h > last_cm + 2), last_cm];
}

/** Edges, pipes and corners by hand: minutes a metre. */
export const EDGE_MINUTES_M = 0.75;

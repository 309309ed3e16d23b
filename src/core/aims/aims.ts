import { type NextCrop } from '../residue/wait.ts';
import { type Member } from '../stand/species.ts';

/** An aim with the weight the gardener gives it: one to three strands. */
export interface AimStrands {
  id: string;
  strands: number;
}

/** What an outcome is measured by: means over years of what one cover, ended one way on one day, brings by planting. */
export interface AimFigures {
  /** Nitrogen the next crop can use above the same bed left bare, g/m2. */
  nitrogenNext_g_m2: number;
  /** Ground held over the gap, 0..1. */
  held: number;
  /** Weeds kept down that are the cover's doing, 0..1. */
  smothers: number;
  residueAtPlanting_g_m2: number;
  flower_d: number;
  /** Dry matter that stood at the end, g/m2. */
  dm_g_m2: number;
  caught_g_m2: number;
  minutesPer100m2: number;
}

/**
 * What counts as plenty of each aim: at this much of the quantity the aim is wholly served. Judgement, in the light of common practice: six tenths
 * of a crop's nitrogen, 6 t/ha of mulch (what holds weeds for two months), 25 days of bloom, 3 t/ha of tops for roots to match, 80 kg/ha
 * of nitrogen caught, and four hours of work on 100 m2.
 */
export const PLENTY = {
  feedShare: 0.6,
  feedLeast_g_m2: 2,
  residue_g_m2: 600,
  flower_d: 25,
  dryMatterForRoots_g_m2: 300,
  caught_g_m2: 8,
  minutes: 250,
} as const;

/** A cover that takes from what follows serves worse than none: as far below nothing as this. */
const WORST_FEED = -0.5;

const clip = (x: number, low = 0): number => Math.max(low, Math.min(1, x));

/** Nitrogen from the ground that counts as plenty for this crop, g/m2; the need of a crop that fixes its own is what it asks beyond that. */
export const plentyOfNitrogen = (next: NextCrop): number =>
  Math.max(PLENTY.feedLeast_g_m2, next.nitrogenNeed_g_m2 * PLENTY.feedShare);

/** How well an outcome serves each aim, 0..1 (feeding down to -0.5); each is a computed quantity over what would be plenty of it. */
export function serves(members: Member[], next: NextCrop, f: AimFigures): Record<string, number> {
  const weigh = (worth: (m: Member) => number) => members.reduce((s, m) => s + worth(m) * m.share, 0);
  return {
    feed: clip(f.nitrogenNext_g_m2 / plentyOfNitrogen(next), WORST_FEED),
    hold: clip(f.held),
    smother: clip(f.smothers),
    bulk: clip(f.residueAtPlanting_g_m2 / PLENTY.residue_g_m2),
    flowers: clip((f.flower_d / PLENTY.flower_d) * weigh((m) => m.species.worth.flowers)),
    loosen: clip(f.dm_g_m2 / PLENTY.dryMatterForRoots_g_m2) * weigh((m) => m.species.worth.loosening),
    catch: clip(f.caught_g_m2 / PLENTY.caught_g_m2),
    ease: clip(1 - f.minutesPer100m2 / PLENTY.minutes),
  };
}

/** Aims when the gardener has named none: ground held and fed. */
export const USUAL_AIMS: AimStrands[] = [
  { id: 'hold', strands: 1 },
  { id: 'feed', strands: 1 },
];

/** Share of the aims that is served, weighed by their strands. */
export function served(of: Record<string, number>, aims: AimStrands[]): number {
  const total = aims.reduce((s, a) => s + a.strands, 0);
  return total > 0 ? aims.reduce((s, a) => s + a.strands * (of[a.id] ?? 0), 0) / total : (of.hold ?? 0);
}

/** Of what it serves, a cover that is never over in time keeps this share: it has still covered the ground. */
const LATE_KEEPS = 0.05;
/** A year in which it sheds seed counts half against it, in time or not. */
const SHED_SEED_COSTS = 0.5;
/** Work that is not an aim is a small cost all the same: an hour on 100 m2 for a hundredth of what a cover can be worth. */
const PER_MINUTE = 1 / 6000;
/**
 * Ground without living roots is a hole in the cloth, whatever lies on it: soil life starves and nothing takes up what rots. Beyond the five weeks
 * that ending a cover usually takes, a month of it costs as much as three hours of work. A gap under fifteen weeks has no five of them to give away:
 * there a third of it is free, and a day costs the more the fewer there are (judgement: what lies longer than it lived was hardly worth its seed).
 */
export const IDLE_FREE_D = 35;
const SHORT_GAP_D = 3 * IDLE_FREE_D;
const PER_IDLE_DAY = 1 / 900;

/** @param gap_d days from the ground being free to planting */
function idleCost(idle_d: number, gap_d: number): number {
  const short = Math.max(1, SHORT_GAP_D / Math.max(1, gap_d));
  return Math.max(0, idle_d - IDLE_FREE_D / short) * PER_IDLE_DAY * short * short;
}
/** Where none is in time, one that at least kills comes before one that does not. */
const DEAD_AT_LEAST = 0.02;

/** What ending it so is worth: the aims it serves times the odds of being ready without shed seed, less a little for the work and for ground without living roots. */
export function worthOf(
  of: Record<string, number>,
  aims: AimStrands[],
  odds: { inTime: number; dead: number; noSeed: number },
  minutesPer100m2: number,
  idle_d = 0,
  gap_d = Infinity,
): number {
  const share = served(of, aims);
  const sure = LATE_KEEPS + (1 - LATE_KEEPS) * odds.inTime;
  const clean = 1 - SHED_SEED_COSTS * (1 - odds.noSeed);
  const costs = minutesPer100m2 * PER_MINUTE + idleCost(idle_d, gap_d);
  // What takes more than it gives is made no better by seldom coming off.
  return (share > 0 ? share * sure * clean : share) + DEAD_AT_LEAST * odds.dead - costs;
}

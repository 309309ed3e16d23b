import { type EndingAnswer, type StandAnswer } from '../plan/plan.ts';
import { type NextCrop } from '../residue/wait.ts';
import { type Member } from '../stand/species.ts';

/** What counts as plenty of each aim: at this much of the quantity the aim is wholly served. */
const PLENTY = {
  /** Share of the next crop's need that a cover may be asked to bring, and the least that counts as plenty, g/m2. */
  feedShare: 0.6,
  feedLeast_g_m2: 4,
  residue_g_m2: 450,
  flower_d: 25,
  dryMatterForRoots_g_m2: 300,
  caught_g_m2: 8,
  minutes: 250,
} as const;

/** How well an outcome serves each aim, 0..1; each is a computed quantity over what would be plenty of it. */
export function serves(
  members: Member[],
  stand: StandAnswer,
  best: EndingAnswer | undefined,
  next: NextCrop,
): Record<string, number> {
  const clip = (x: number) => Math.max(0, Math.min(1, x));
  const weigh = (f: (m: Member) => number) => members.reduce((s, m) => s + f(m) * m.share, 0);
  const cover = stand.coverByDay.reduce((s, c) => s + c, 0) / Math.max(1, stand.coverByDay.length);
  const grown = clip((best?.dryMatter_g_m2.mid ?? 0) / PLENTY.dryMatterForRoots_g_m2);
  const need = Math.max(PLENTY.feedLeast_g_m2, next.nitrogenNeed_g_m2 * PLENTY.feedShare);
  return {
    feed: clip((best?.nitrogen_g_m2.mid ?? 0) / need),
    hold: clip(cover),
    smother: clip(stand.weedsHeld.mid),
    bulk: clip((best?.residue_g_m2.mid ?? 0) / PLENTY.residue_g_m2),
    flowers: clip((stand.flowerDays.mid / PLENTY.flower_d) * weigh((m) => m.species.worth.flowers)),
    loosen: grown * weigh((m) => m.species.worth.loosening),
    catch: clip(stand.caught_g_m2.mid / PLENTY.caught_g_m2),
    ease: clip(1 - (best?.minutesPer100m2 ?? 400) / PLENTY.minutes),
  };
}

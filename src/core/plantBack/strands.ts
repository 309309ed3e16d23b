import { type YearEnd } from '../plan/plan.ts';
import { type Standing } from '../plan/standing.ts';
import { quantile, shareOf, type Spread, spreadOf } from '../random/quantile.ts';
import { carbonToNitrogen } from '../residue/decay.ts';
import { waitParts20 } from '../residue/wait.ts';
import { type MethodParts } from '../termination/method.ts';
import { reaches } from '../weather/season.ts';

export type StrandId = 'dead' | 'rots' | 'check' | 'warm';

export interface Strand {
  id: StrandId;
  /** Day on which it has run out. */
  over: Spread;
  /** Share of years in which it is the last to run out. */
  holdsBack: number;
}

export interface Strands {
  /** Days at 20 °C that what lies takes, and that small seed is held back: the waits that the ready day was worked out with, middles. */
  waits_d20: { rots: number; check: number };
  strands: Strand[];
}

/** Day index on which each strand of one year has run out. */
type RunsOut = Record<StrandId, number>;

/** What must run out before the crop goes in, and which of it is last. The last one ends on the ready day that every other screen has, year by year. */
export function strandsOf(standing: Standing, ends: YearEnd[], parts: MethodParts): Strands {
  const { plan, fromDay, onward } = standing;
  const { weights, ensemble } = onward;
  const small = Math.max(...plan.members.map((m) => m.species.smallSeedWait_d * m.share));
  const waits = ends.map((e) => {
    const { rots, check } = waitParts20(
      parts.handling,
      carbonToNitrogen(e.dm_g_m2, e.n_g_m2),
      plan.next,
      small,
    );
    // Where hardly anything lies, where frost had done it before, or where planting follows the cut, the core waits for less.
    return { rots: Math.min(rots, e.wait_d20), check: Math.min(check, e.wait_d20) };
  });
  const runsOut = ends.map((e, y): RunsOut => {
    const { rots, check } = waits[y]!;
    const { mellowing, days } = ensemble.seasons[y]!;
    const after = (wait: number) =>
      e.mellowsFrom === Infinity
        ? Infinity
        : Math.min(e.readyAt, reaches(mellowing, Math.min(e.mellowsFrom, days), wait));
    return {
      dead: e.deadAt,
      rots: rots >= check ? e.readyAt : after(rots),
      check: check === 0 ? -Infinity : check > rots ? e.readyAt : after(check),
      warm: e.plantableAt,
    };
  });
  const ids: StrandId[] = waits.some((w) => w.check > 0)
    ? ['dead', 'rots', 'check', 'warm']
    : ['dead', 'rots', 'warm'];
  const middle = (f: (w: (typeof waits)[number]) => number) => quantile(waits.map(f), 0.5, weights);
  return {
    waits_d20: { rots: middle((w) => w.rots), check: middle((w) => w.check) },
    strands: ids.map((id) => ({
      id,
      over: spreadOf(
        runsOut.map((r) => fromDay + r[id]),
        weights,
      ),
      holdsBack: shareOf(ends.length, (y) => lastOf(runsOut[y]!, ends[y]!) === id, weights),
    })),
  };
}

function lastOf(r: RunsOut, end: YearEnd): StrandId {
  if (r.dead === Infinity) return 'dead';
  if (r.warm > end.readyAt) return 'warm';
  if (r.dead >= end.readyAt) return 'dead';
  return r.check >= r.rots ? 'check' : 'rots';
}

import { type Day } from '../calendar/day.ts';
import { type YearEnd } from '../termination/plan.ts';
import { type Standing } from '../plan/standing.ts';
import { meanOf, quantile, shareOf, type Spread, spreadOf } from '../random/quantile.ts';
import { carbonToNitrogen } from '../residue/decay.ts';
import { type WaitParts, waitParts20 } from '../residue/wait.ts';
import { type MethodParts } from '../termination/method.ts';
import { reaches } from '../weather/season.ts';

/** Waits that begin when what lies begins to mellow, in the order in which they usually run out. */
const WAITS = ['flat', 'pests', 'rots', 'check'] as const;
type WaitId = (typeof WAITS)[number];
export type StrandId = 'dead' | WaitId | 'nitrogen' | 'warm';

export interface Strand {
  id: StrandId;
  /** Day on which it has run out. */
  over: Spread;
  /** Share of years in which it is the last to run out. Nothing waits for nitrogen: a crop can be fed instead. */
  holdsBack: number;
  /** Of what runs out little by little: how much of it is left, 0..1, mean over years, every few days. */
  left?: { day: Day; share: number }[];
}

export interface Strands {
  /** Days at 20 °C of each wait that the ready day was worked out with, middles. */
  waits_d20: WaitParts;
  strands: Strand[];
}

/** Day index on which each strand of one year has run out; -Infinity where it does not arise. */
type RunsOut = Record<Exclude<StrandId, 'nitrogen'>, number>;

/** Nitrogen that is tied up in fewer years than this is no strand. */
const OFTEN_TIED = 0.2;
const LEFT_STEP_D = 3;
const LEFT_STEPS = 30;

/**
 * What must run out before the crop goes in, and which of it is last. The last one ends on the ready day that every other screen has, year by year.
 * @param backAt day index, year by year, on which residue has given back what it tied up; -Infinity where it never owed any
 */
export function strandsOf(
  standing: Standing,
  ends: YearEnd[],
  parts: MethodParts,
  backAt: readonly number[],
): Strands {
  const { plan, fromDay, onward } = standing;
  const { weights, ensemble } = onward;
  const small = Math.max(...plan.members.map((m) => m.species.smallSeedWait_d * m.share));
  const waits = ends.map((e): WaitParts => {
    const whole = waitParts20(parts.handling, carbonToNitrogen(e.dm_g_m2, e.n_g_m2), plan.next, small);
    // Where hardly anything lies, where frost had done it before, or where planting follows the cut, the core waits for less.
    const within = (d20: number) => Math.min(d20, e.wait_d20);
    return {
      flat: within(whole.flat),
      pests: within(whole.pests),
      rots: within(whole.rots),
      check: within(whole.check),
    };
  });
  const runsOut = ends.map((e, y): RunsOut => {
    const parts20 = waits[y]!;
    const longest = Math.max(...WAITS.map((id) => parts20[id]));
    const { mellowing, days } = ensemble.seasons[y]!;
    const over = (d20: number) => {
      if (d20 === 0) return -Infinity;
      if (d20 >= longest) return e.readyAt;
      return e.mellowsFrom === Infinity
        ? Infinity
        : Math.min(e.readyAt, reaches(mellowing, Math.min(e.mellowsFrom, days), d20));
    };
    return {
      dead: e.deadAt,
      flat: over(parts20.flat),
      pests: over(parts20.pests),
      rots: over(parts20.rots),
      check: over(parts20.check),
      warm: e.plantableAt,
    };
  });
  // In a year in which it does not arise it is over when growth ends.
  const overOf = (days: readonly number[]) =>
    spreadOf(
      days.map((d, y) => fromDay + (d === -Infinity && ends[y]!.endsAt < Infinity ? ends[y]!.endsAt : d)),
      weights,
    );
  const arises = (id: WaitId) => waits.some((w) => w[id] > 0);
  const ids: StrandId[] = ['dead', ...WAITS.filter(arises), 'warm'];
  const last = runsOut.map((r, y) => lastOf(r, ends[y]!));
  const strands = ids.map((id): Strand => ({
    id,
    over: overOf(runsOut.map((r) => r[id as keyof RunsOut])),
    holdsBack: shareOf(ends.length, (y) => last[y] === id, weights),
  }));
  const check = strands.find((s) => s.id === 'check');
  if (check) check.left = checkLeft(standing, ends, waits);
  const tied = shareOf(ends.length, (y) => backAt[y]! > -Infinity, weights);
  if (tied >= OFTEN_TIED)
    strands.splice(strands.length - 1, 0, {
      id: 'nitrogen',
      over: overOf(backAt),
      holdsBack: 0,
    });
  const middle = (id: WaitId) =>
    quantile(
      waits.map((w) => w[id]),
      0.5,
      weights,
    );
  return {
    waits_d20: { flat: middle('flat'), pests: middle('pests'), rots: middle('rots'), check: middle('check') },
    strands,
  };
}

/** How much of what the residue gives off against small seed is left, in the years in which the cover dies: it goes evenly with the warm days of its wait. */
function checkLeft(
  { fromDay, onward }: Standing,
  ends: YearEnd[],
  waits: WaitParts[],
): { day: Day; share: number }[] {
  const { weights, ensemble } = onward;
  const dying = Float64Array.from(ends, (e, y) => (e.mellowsFrom === Infinity ? 0 : (weights?.[y] ?? 1)));
  const begins = ends.map((e) => e.mellowsFrom).filter(Number.isFinite);
  if (begins.length === 0) return [];
  const first = Math.floor(Math.min(...begins));
  const out: { day: Day; share: number }[] = [];
  for (let k = 0; k <= LEFT_STEPS; k++) {
    const d = first + k * LEFT_STEP_D;
    const shares = ends.map((e, y) => {
      const { mellowing, days } = ensemble.seasons[y]!;
      const wait = waits[y]!.check;
      if (wait === 0) return 0;
      if (e.mellowsFrom >= Math.min(d, days)) return 1;
      const gone = (mellowing[Math.min(d, days)]! - mellowing[Math.floor(e.mellowsFrom)]!) / wait;
      return Math.max(0, 1 - gone);
    });
    const share = meanOf(shares, dying);
    out.push({ day: fromDay + d, share });
    if (share === 0) break;
  }
  return out;
}

function lastOf(r: RunsOut, end: YearEnd): StrandId {
  if (r.dead === Infinity) return 'dead';
  if (r.warm > end.readyAt) return 'warm';
  if (r.dead >= end.readyAt) return 'dead';
  const latest = Math.max(...WAITS.map((id) => r[id]));
  // Of two that end together the more telling one: the later in the list.
  return [...WAITS].reverse().find((id) => r[id] === latest) ?? 'dead';
}

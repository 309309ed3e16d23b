import { type Species } from '../stand/species.ts';
import { lookUp, type Table, tableOf } from '../units/table.ts';
import {
  crimpKills,
  cutKills,
  digKills,
  flameKills,
  grazeKills,
  henKills,
  hoeKills,
  mowKills,
  pigKills,
  pullKills,
  SECOND_PASS_KEEPS,
  smotherKills,
  TRIM_KILLS,
} from './kill.ts';
import { type MethodParts, type PassKind } from './method.ts';

// What passes over a stand kill of it, and what a sequence of them leaves alive.

/** Share of standing plants that one pass kills at this stage and weight of stand. */
export function passKills(kind: PassKind, sp: Species, stage: number, dm_g_m2: number): number {
  switch (kind) {
    case 'cut':
      return cutKills(sp, stage);
    case 'mow':
    case 'flail':
      return mowKills(sp, stage);
    case 'crimp':
      return crimpKills(sp, stage);
    case 'flame':
      return flameKills(sp, stage, dm_g_m2);
    case 'hens':
      return henKills(sp, stage, dm_g_m2);
    case 'pigs':
      return pigKills(sp);
    case 'graze':
      return grazeKills(sp, stage);
    case 'dig':
    case 'bury':
      return digKills(sp);
    case 'compost-over':
      return smotherKills(sp);
    case 'pull':
      return pullKills(sp);
    case 'hoe':
      return hoeKills(sp, stage, dm_g_m2);
    case 'mow-high':
      return TRIM_KILLS;
    case 'take-hay':
      // Cut at a hand's height it keeps buds that a low mower takes (judgement).
      return Math.max(TRIM_KILLS, HAY_OF_MOWING * mowKills(sp, stage));
    default:
      return 0;
  }
}

/** Share of what a low mowing kills that dies of a hay cut. */
const HAY_OF_MOWING = 0.5;
/** Days after which a second pass meets weakened plants rather than a bruised stand: sooner than this it is one and the same blow. */
export const TELLING_GAP_D = 3;
const WEAKENED_TIMES = 1.2;
/** Kinds that sprout from crowns for ever lose little to being cut again. */
const NEVER_KEEPS = 0.75;

/** Share of plants that a sequence of passes leaves alive, begun at this stage. */
export function leftAlive(
  kills: MethodParts['kills'],
  sp: Species,
  stage: number,
  dm_g_m2: number,
  killOdds: number,
): number {
  const never = sp.ending.chopStage === 'never';
  return survive(kills, (k) => passKills(kills[k]!.kind, sp, stage, dm_g_m2), never, killOdds);
}

/** What the passes of a sequence kill of one kind at each stage, worked out once a plan; stands of seedlings are another matter. */
export interface KillTables {
  never: boolean;
  byPass: Table[];
}

export const killTables = (kills: MethodParts['kills'], sp: Species): KillTables => ({
  never: sp.ending.chopStage === 'never',
  byPass: kills.map(({ kind }) => killsBy(kind, sp)),
});

const tables = new WeakMap<Species, Map<PassKind, Table>>();

/** Every plan of a gap asks the same of the same kinds. */
function killsBy(kind: PassKind, sp: Species): Table {
  let known = tables.get(sp);
  if (!known) tables.set(sp, (known = new Map<PassKind, Table>()));
  let found = known.get(kind);
  if (!found)
    known.set(kind, (found = tableOf((stage) => passKills(kind, sp, stage, GROWN_G_M2), 1, 5, 400)));
  return found;
}
/** A stand this heavy is past being seedlings to any tool. */
export const GROWN_G_M2 = 60;

/** As `leftAlive`, for a stand that has grown, from its tables. */
export const leftOf = (
  kills: MethodParts['kills'],
  { byPass, never }: KillTables,
  stage: number,
  killOdds: number,
): number => survive(kills, (k) => lookUp(byPass[k]!, stage), never, killOdds);

function survive(
  kills: MethodParts['kills'],
  killOf: (k: number) => number,
  never: boolean,
  killOdds: number,
): number {
  let left = 1;
  let before = -TELLING_GAP_D;
  for (let k = 0; k < kills.length; k++) {
    const { kind, after_d } = kills[k]!;
    const kill = lucky(killOf(k), killOdds);
    if (k === 0) left = 1 - kill;
    else if (after_d - before < TELLING_GAP_D) left = Math.min(left, 1 - kill);
    else left *= 1 - killsWeakened(kind, kill, never);
    before = after_d;
  }
  return left;
}

/** Survivors of a blow that told are weaker: the next leaves two fifths of them. One that hardly told weakens nothing. */
export function killsWeakened(kind: PassKind, kill: number, never: boolean): number {
  const most = 1 - (never && kind !== 'dig' ? NEVER_KEEPS : SECOND_PASS_KEEPS);
  return Math.max(kill, Math.min(most, kill * WEAKENED_TIMES));
}

/** A share with its odds multiplied, so that it stays a share. */
export const lucky = (share: number, odds: number): number => (share * odds) / (1 - share + share * odds);

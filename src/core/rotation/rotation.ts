import { streamOf } from '../random/stream.ts';
import { exp } from '../units/exact.ts';
import {
  askedBy,
  blockCost,
  costBent,
  costOf,
  type Forces,
  judge,
  judgeBed,
  type Judged,
  moved,
  type OwnRule,
  REST,
  type RotationBed,
  type Style,
  type Turn,
  type Wanted,
} from './rules.ts';

// Which crop goes on which bed in the years to come.

export interface Plan extends Judged {
  style: Style;
}

export interface RotationInput {
  beds: RotationBed[];
  /** What each bed of this year brings: these change places. */
  turns: Turn[];
  /** Facts about every crop that may stand in the plan. */
  crops: Wanted[];
  own?: OwnRule[];
  /** Rules that count more or less than is usual. */
  forces?: Forces | undefined;
  /** What is planned or stands there already, by year and bed: it stays. */
  fixed?: (Turn | null)[][];
  years: number;
  seed: number;
}

/** One bed in so many rests each year, where rests are planned. */
const ONE_RESTS_IN = 6;
const STEPS_A_CELL = 500;
const HOT = 6;

/**
 * Answers: which crop on which bed in the years to come? What the beds bring this year changes places by simulated annealing (Kirkpatrick, Gelatt and Vecchi 1983) until
 * fewest rules are bent; the same seed gives the same plan.
 */
export function planRotation(input: RotationInput, style: Style): Plan {
  const { beds, turns, years, own, forces = {} } = input;
  const asks = askedBy(input.crops);
  const stream = streamOf(input.seed + style.length * 7919);
  for (let k = 0; k < 16; k++) stream.uniform();
  const rests = style === 'with-rest' ? Math.max(1, Math.floor(beds.length / ONE_RESTS_IN)) : 0;
  const each = turns.map((ids) => ({ ids, crops: asks(ids) }));
  const rest = { ids: REST, crops: [] as Wanted[] };
  const stays = (y: number, b: number) => input.fixed?.[y]?.[b] ?? null;
  // Where beds rest, the crops that would come back soonest to their family stand back in turn.
  const rows = Array.from({ length: years }, (_, y) => {
    const row = begin(each, (b) => {
      const ids = stays(y, b);
      return ids && { ids, crops: asks(ids) };
    });
    const open = row.flatMap((_, b) => (stays(y, b) ? [] : [b]));
    for (let k = 0; k < rests && k < open.length; k++) row[open[(y * rests + k) % open.length]!] = rest;
    return row;
  });
  const cropsOf = (row: typeof each) => row.map((t) => t.crops);
  const column = (b: number) => rows.map((r) => r[b]!.crops);
  const bedCosts = beds.map((bed, b) => costOf(judgeBed(bed, column(b), own, forces), style));
  const blocks = rows.map((r) => (style === 'sections' ? blockCost(beds, cropsOf(r)) : 0));
  const someStay = each.some((t) => t.crops.some((w) => (w.stays_y ?? 1) > 1));
  const stayCost = () =>
    someStay ? moved(beds, rows.map(cropsOf), forces).reduce((s, b) => s + costBent(b.rule, forces), 0) : 0;
  let stayed = stayCost();
  const steps = Math.max(1, beds.length * years * STEPS_A_CELL);
  for (let k = 0; k < steps && beds.length > 1; k++) {
    const heat = HOT * exp((k / steps) * LN_COOLING);
    const y = Math.floor(stream.uniform() * years);
    const a = Math.floor(stream.uniform() * beds.length);
    const b = Math.floor(stream.uniform() * beds.length);
    const row = rows[y]!;
    // The same crops, or what stays where it is.
    if (a === b || row[a] === row[b] || stays(y, a) || stays(y, b)) continue;
    [row[a], row[b]] = [row[b]!, row[a]!];
    const costA = costOf(judgeBed(beds[a]!, column(a), own, forces), style);
    const costB = costOf(judgeBed(beds[b]!, column(b), own, forces), style);
    const block = style === 'sections' ? blockCost(beds, cropsOf(row)) : 0;
    const stay = stayCost();
    const more = costA + costB + block + stay - bedCosts[a]! - bedCosts[b]! - blocks[y]! - stayed;
    if (more <= 0 || stream.uniform() < exp(-more / heat)) {
      bedCosts[a] = costA;
      bedCosts[b] = costB;
      blocks[y] = block;
      stayed = stay;
    } else [row[a], row[b]] = [row[b]!, row[a]!];
  }
  return {
    style,
    ...judge(
      input,
      rows.map((r) => r.map((t) => t.ids)),
    ),
  };
}
interface Placed {
  ids: Turn;
  crops: Wanted[];
}

/** A year before anything changes places: what stays where it is, and what is left of the turns on the other beds. */
function begin(turns: readonly Placed[], stays: (bed: number) => Placed | null): Placed[] {
  const left = new Set(turns.keys());
  const key = (t: Placed) => t.ids.join(' ');
  const fixed = turns.map((_, b) => stays(b));
  fixed.forEach((t, b) => {
    if (!t) return;
    // It is one of the turns, wherever that came from; else it is there instead of the bed's own.
    const same = [...left].find((i) => key(turns[i]!) === key(t));
    const gone = same ?? (left.has(b) ? b : [...left].at(-1)!);
    left.delete(gone);
  });
  const rest = [...left];
  return fixed.map((t) => t ?? turns[rest.shift()!]!);
}
/** From hot to cold over the whole run. */
const LN_COOLING = -4.787;

/** Three plans that differ in kind. */
export const planRotations = (input: RotationInput): Plan[] =>
  (['fewest-bent', 'sections', 'with-rest'] as const)
    .filter((s) => s !== 'sections' || new Set(input.beds.map((b) => b.block)).size > 1)
    .map((s) => planRotation(input, s));

import { streamOf } from '../random/stream.ts';
import { exp } from '../units/exact.ts';
import {
  blockCost,
  COST,
  costOf,
  judge,
  judgeBed,
  type Judged,
  moved,
  type OwnRule,
  REST,
  type RotationBed,
  type Style,
  type Wanted,
} from './rules.ts';

// Which crop goes on which bed in the years to come.

export interface Plan extends Judged {
  style: Style;
}

export interface RotationInput {
  beds: RotationBed[];
  /** One for each bed. */
  wanted: Wanted[];
  own?: OwnRule[];
  years: number;
  seed: number;
}

/** One bed in so many rests each year, where rests are planned. */
const ONE_RESTS_IN = 6;
const STEPS_A_CELL = 500;
const HOT = 6;

/**
 * Answers: which crop on which bed in the years to come? Crops of a year change places by simulated annealing (Kirkpatrick, Gelatt and Vecchi 1983) until
 * fewest rules are bent; the same seed gives the same plan.
 */
export function planRotation(input: RotationInput, style: Style): Plan {
  const { beds, wanted, years, own } = input;
  const stream = streamOf(input.seed + style.length * 7919);
  for (let k = 0; k < 16; k++) stream.uniform();
  const rests = style === 'with-rest' ? Math.max(1, Math.floor(beds.length / ONE_RESTS_IN)) : 0;
  // Where beds rest, the crops that would come back soonest to their family stand back in turn.
  const rows: (Wanted | null)[][] = Array.from({ length: years }, (_, y) => {
    const row: (Wanted | null)[] = [...wanted];
    for (let k = 0; k < rests; k++) row[(y * rests + k) % row.length] = null;
    return row;
  });
  const column = (b: number) => rows.map((r) => r[b]!);
  const bedCosts = beds.map((bed, b) => costOf(judgeBed(bed, column(b), own), style));
  const blocks = rows.map((r) => (style === 'sections' ? blockCost(beds, r) : 0));
  const someStay = wanted.some((w) => (w.stays_y ?? 1) > 1);
  const stayCost = () => (someStay ? moved(beds, rows).length * COST.moved : 0);
  let stayed = stayCost();
  const steps = Math.max(1, beds.length * years * STEPS_A_CELL);
  for (let k = 0; k < steps && beds.length > 1; k++) {
    const heat = HOT * exp((k / steps) * LN_COOLING);
    const y = Math.floor(stream.uniform() * years);
    const a = Math.floor(stream.uniform() * beds.length);
    const b = Math.floor(stream.uniform() * beds.length);
    const row = rows[y]!;
    if (a === b || row[a] === row[b]) continue;
    [row[a], row[b]] = [row[b]!, row[a]!];
    const costA = costOf(judgeBed(beds[a]!, column(a), own), style);
    const costB = costOf(judgeBed(beds[b]!, column(b), own), style);
    const block = style === 'sections' ? blockCost(beds, row) : 0;
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
      rows.map((r) => r.map((c) => c?.cropId ?? REST)),
    ),
  };
}
/** From hot to cold over the whole run. */
const LN_COOLING = -4.787;

/** Three plans that differ in kind. */
export const planRotations = (input: RotationInput): Plan[] =>
  (['fewest-bent', 'sections', 'with-rest'] as const)
    .filter((s) => s !== 'sections' || new Set(input.beds.map((b) => b.block)).size > 1)
    .map((s) => planRotation(input, s));

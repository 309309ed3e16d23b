import { type EndingFigures } from './figures.ts';

// A board under a foot. Mechanics is sure; what stems need is derived from the collapse of hollow stems and never measured for hand boards.

const GRAVITY = 9.81;
/** Stamping, or dropping the weight on, against standing. */
export const STAMPED = 1.6;
/** Seconds for one press and the step to the next. */
const PRESS_S = 2.8;

/** Force along the edge, N/cm: mass x g over the length and the number of edges. The width of an edge changes the pressure, not this. */
export const edgeForce_N_cm = (mass_kg: number, board_m: number, edges: number): number =>
  (mass_kg * GRAVITY) / (board_m * 100 * edges);

/** Force that kinks few and all stems of a stand at its stage, N/cm: the hardest of its kinds; null where none was worked out, or the stand is leafy. */
export function needed_N_cm(
  stand: readonly { figures: EndingFigures; stage: number }[],
): [number, number] | null {
  let worst: [number, number] | null = null;
  for (const { figures, stage } of stand) {
    if (!figures.press_N_cm || stage < 2) continue;
    const row = figures.press_N_cm[stage < 3 ? 0 : stage < 4 ? 1 : stage < 4.5 ? 2 : 3]!;
    if (!worst || row[1] > worst[1]) worst = row;
  }
  return worst;
}

/** Share of stems that kink under a force, between half the low figure and the high one. */
export const kinked = (force: number, [low, high]: [number, number]): number =>
  Math.max(0, Math.min(1, (force - low / 2) / (high - low / 2)));

export interface Pressing {
  /** Side by side, to cover the width. */
  lanes: number;
  /** Presses of one pass over the bed. */
  presses: number;
  step_cm: number;
  passes: number;
  minutesAPass: number;
  standing_N_cm: number;
  stamped_N_cm: number;
  needed_N_cm: [number, number] | null;
  /** Along the frame where neither boot nor board comes, m; by hand. */
  edge_m: number;
  /** With as many edges as there could be, for comparison: force when stamped. */
  threeEdges_N_cm: number;
}

/** Where boards overlap, and what a board leaves on each side, m. */
const LAP_M = 0.05;
const ENOUGH_M = 0.06;
const USUAL_STEP_CM = 15;

/** @param stage of the member that stands furthest back */
export function pressing(
  bed: { width_m: number; length_m: number },
  board: { length_m: number; edges: number },
  mass_kg: number,
  stand: readonly { figures: EndingFigures; stage: number }[],
): Pressing {
  const stage = Math.min(5, ...stand.map((s) => s.stage));
  const step_cm = stage < 3.3 ? 10 : stage >= 4 ? 20 : USUAL_STEP_CM;
  const lanes =
    board.length_m >= bed.width_m - ENOUGH_M
      ? 1
      : Math.ceil((bed.width_m - LAP_M) / (board.length_m - LAP_M) - 1e-9);
  const presses = lanes * Math.ceil((bed.length_m * 100) / step_cm - 1e-9);
  const standing = edgeForce_N_cm(mass_kg, board.length_m, board.edges);
  return {
    lanes,
    presses,
    step_cm,
    passes: stage < 3.3 ? 3 : 2,
    minutesAPass: (presses * PRESS_S) / 60,
    standing_N_cm: standing,
    stamped_N_cm: standing * STAMPED,
    needed_N_cm: needed_N_cm(stand),
    edge_m: 2 * (bed.width_m + bed.length_m),
    threeEdges_N_cm: (standing * board.edges * STAMPED) / 3,
  };
}

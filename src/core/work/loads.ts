// Water, cardboard, compost and soil in litres, sheets and barrows.

type Texture = 'sand' | 'loam' | 'clay';
/** Litres a square metre from a half-used store down to 20 cm, at 85 of 100 reaching the soil (FAO 56, table 19, middles). */
const WET_HALF_L_M2: Record<Texture, number> = { sand: 9, loam: 15, clay: 16 };
/** Runs in which it goes in without running off. */
const RUNS: Record<Texture, number> = { sand: 1, loam: 2, clay: 3 };

export function wetting(area_m2: number, texture: Texture, flow_l_min: number | null) {
  const litres = area_m2 * WET_HALF_L_M2[texture];
  return {
    litres,
    l_m2: WET_HALF_L_M2[texture],
    runs: RUNS[texture],
    minutes: flow_l_min ? litres / flow_l_min : null,
  };
}

/** Pieces of cardboard for two layers with a hand's lap, a twelfth lost in fitting; dry mass and water to soak them. */
export function cardboard(area_m2: number, piece_m: [number, number] = [1, 0.6], layers = 2) {
  const lap = 0.15;
  const pieces = Math.ceil((layers * area_m2 * 1.08) / ((piece_m[0] - lap) * (piece_m[1] - lap)) - 1e-9);
  const kg = pieces * piece_m[0] * piece_m[1] * 0.55;
  return { pieces, kg, soak_l: kg * 2, minutes: (pieces * 12) / 60 };
}

export const BARROW_L = 70;
/** Load by shovel, 25 m there and back, tip and rake. */
const MINUTES_A_BARROW = 4;

/** What covers an area so deep: litres, barrows of 70, kilograms at the density of compost, minutes. */
export function spread(area_m2: number, depth_cm: number, kg_l = 0.6) {
  const litres = area_m2 * depth_cm * 10;
  const barrows = Math.ceil(litres / BARROW_L - 1e-9);
  return { litres, barrows, kg: litres * kg_l, minutes: barrows * MINUTES_A_BARROW };
}

/** Minutes to turn 100 m2 with a spade by soil, shallow; the full spit takes two thirds more. */
const DIG: Record<Texture, number> = { sand: 240, loam: 320, clay: 480 };
export const digMinutes = (area_m2: number, texture: Texture, fullSpit: boolean): number =>
  (area_m2 / 100) * DIG[texture] * (fullSpit ? 1.65 : 1);

/** The first trench of a turned bed: soil that is carried to the end, litres. */
export const firstTrench_l = (width_m: number): number => width_m * 0.3 * 0.25 * 1000;

/** Vapour of shredded mustard is lost within some twenty minutes: as much of the bed as two hands chop and turn in that time, m2. */
export const biofumigantBatch_m2 = (texture: Texture): number => 20 / (DIG[texture] / 100 + 1.75);

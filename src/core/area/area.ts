/** Something in a bed on which no seed is wanted: a rectangle, or a circle when there is no length. Sizes in metres. */
export interface Obstacle {
  width_m: number;
  /** Null for a circle of diameter `width_m`. */
  length_m: number | null;
  /** How many of the same. */
  count: number;
}

/** Strips that are sown and no more: aisles, gaps between rows. */
export interface Strips {
  count: number;
  width_m: number;
  length_m: number;
}

/** Area inside a ring of x, y in metres, whichever way round it runs (shoelace formula). @returns m² */
export function ringArea_m2(ring: readonly (readonly [number, number])[]): number {
  let twice = 0;
  for (let i = 0; i < ring.length; i++) {
    const [x1, y1] = ring[i]!;
    const [x2, y2] = ring[(i + 1) % ring.length]!;
    twice += x1 * y2 - x2 * y1;
  }
  return Math.abs(twice) / 2;
}

/** @returns m² */
export const obstacleArea_m2 = (o: Obstacle): number =>
  o.count * (o.length_m === null ? (Math.PI * o.width_m * o.width_m) / 4 : o.width_m * o.length_m);

/** @returns m² */
export const stripsArea_m2 = (s: Strips): number => s.count * s.width_m * s.length_m;

/**
 * Answers: how much ground is there to sow? Strips where only those are sown, else the bed; less what stands in it. Obstacles that
 * would leave nothing are a mistake of entry, which the screen names; here the area never falls below a hundredth of the ground.
 * Worked figure: a bed of 1.2 m x 8 m with two posts' plates of 30 cm x 30 cm and a round tub of 50 cm leaves 9.22 m².
 * @returns m²
 */
export function sowableArea_m2(
  ground_m2: number,
  obstacles: readonly Obstacle[],
  strips: Strips | null,
): number {
  if (strips) return stripsArea_m2(strips);
  const taken = obstacles.reduce((sum, o) => sum + obstacleArea_m2(o), 0);
  return Math.max(ground_m2 / 100, ground_m2 - taken);
}

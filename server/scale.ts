/** A simulated kitchen scale: what is poured onto it settles within a second, and the last digit flickers as on a real one. */
export interface Reading {
  simulated: true;
  /** Shown weight, g, after tare, in steps of a tenth. */
  grams: number;
  steady: boolean;
}

const SETTLES_PER_TICK = 0.45;
const STEADY_WITHIN_G = 0.15;
const FLICKER_G = 0.05;
const MOST_G = 5000;

export class SimulatedScale {
  private onPan = 0;
  private shown = 0;
  private zero = 0;
  private turn = 0;

  /** Puts grams on the pan, or takes them off when negative. The pan never holds less than nothing nor more than five kilograms. */
  pour(grams: number): void {
    this.onPan = Math.min(MOST_G, Math.max(0, this.onPan + grams));
  }
  empty(): void {
    this.onPan = 0;
  }
  /** What is on the pan now counts as nothing: the bowl. */
  tare(): void {
    this.zero = this.onPan;
  }
  /** A fifth of a second passes. */
  tick(): Reading {
    this.shown += (this.onPan - this.shown) * SETTLES_PER_TICK;
    const steady = Math.abs(this.onPan - this.shown) < STEADY_WITHIN_G;
    this.turn = (this.turn + 1) % 7;
    const flicker = steady ? (this.turn === 3 ? FLICKER_G : 0) : 0;
    return { simulated: true, grams: Math.round((this.shown - this.zero + flicker) * 10) / 10 + 0, steady };
  }
}

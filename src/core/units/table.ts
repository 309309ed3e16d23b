/**
 * A smooth function as a table with straight lines between its entries: many times faster than the power or exponential it stands
 * for, and the same bits on every engine, which the standard library does not promise. Outside the span the end values hold.
 */
export interface Table {
  values: Float64Array;
  from: number;
  /** Entries per unit of the argument. */
  scale: number;
  /** Entries less one. */
  steps: number;
}

/**
 * Filled where it is made; a page that never looks into one must not pay for it, so the bundler is told that making it has no other effect.
 * @param steps entries less one; the error falls with its square
 */
/* @__NO_SIDE_EFFECTS__ */
export function tableOf(f: (x: number) => number, from: number, to: number, steps: number): Table {
  const step = (i: number) => from + ((to - from) * Math.min(i, steps)) / steps;
  return {
    values: Float64Array.from({ length: steps + 2 }, (_, i) => f(step(i))),
    from,
    scale: steps / (to - from),
    steps,
  };
}

export function lookUp(table: Table, x: number): number {
  const { values, steps } = table;
  const at = (x - table.from) * table.scale;
  if (!(at > 0)) return values[0]!;
  if (at >= steps) return values[steps]!;
  const i = at | 0;
  const low = values[i]!;
  return low + (values[i + 1]! - low) * (at - i);
}

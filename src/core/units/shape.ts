/**
 * Gives figures of a record that are often whole for a start (nought, one) a fraction each, once, where its shape is first made. An engine keeps whole numbers in
 * another form and lays every record anew that turns out to hold fractions; what it has made fast by then, it throws away.
 * @param one a record that is not used otherwise; @param whole fields that stay whole: indices and counts of an array
 */
export function asFractions<T extends object>(one: T, whole: readonly (keyof T)[] = []): void {
  for (const key of Object.keys(one) as (keyof T)[])
    if (typeof one[key] === 'number' && !whole.includes(key)) (one as Record<keyof T, unknown>)[key] = 0.5;
}

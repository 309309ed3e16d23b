// Math.min and Math.max also look after NaN and the sign of nought, at three times the steps. The daily loop asks for neither.

/** The smaller of two figures, neither of them NaN. */
export const lower = (a: number, b: number): number => (a < b ? a : b);

/** The greater of two figures, neither of them NaN. */
export const higher = (a: number, b: number): number => (a > b ? a : b);

/** `x` kept between 0 and 1. */
export const share01 = (x: number): number => (x < 0 ? 0 : x > 1 ? 1 : x);

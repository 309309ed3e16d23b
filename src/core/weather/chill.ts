/**
 * Chilling earned in a day at this mean temperature, 0..1: full between 1 and 7 °C, falling to none at -4 and at 14 °C.
 * Source: shape of the usual vernalisation response of winter cereals (Bergjord 2008 and after), straight lines between its marks.
 */
export function chillOfDay(mean_c: number): number {
  if (mean_c <= -4 || mean_c >= 14) return 0;
  if (mean_c < 1) return (mean_c + 4) / 5;
  if (mean_c <= 7) return 1;
  return (14 - mean_c) / 7;
}

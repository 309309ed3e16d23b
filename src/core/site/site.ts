/** The climate of a garden, as fitted. Monthly arrays run January to December in both hemispheres. */
export interface Site {
  /** Degrees north; south is negative. */
  latitude_deg: number;
  /** Near a coast or large lake: nights are milder and Hargreaves radiation uses 0.19 instead of 0.16 (FAO-56). */
  coastal: boolean;
  tmax_c: number[];
  tmin_c: number[];
  rain_mm: number[];
  /** Share of days with rain, 0..1, by month. */
  wetShare: number[];
  /** Mean over years of the coldest night. */
  coldestNight_c: number;
  /** Day-to-day standard deviation of mean temperature in the coldest and the warmest month. */
  sdCold_c: number;
  sdWarm_c: number;
  /** How much wider it is half way between the two than a straight line has it, in spring and in autumn; narrower below 0, as the line where absent. */
  springWider_c?: number | undefined;
  autumnWider_c?: number | undefined;
}

/** Wet-day share from monthly rain when only totals are known: mean amount on a wet day grows from 4 mm by 4 % of the month's rain. */
export function wetShareFrom(rain_mm: number[]): number[] {
  return rain_mm.map((mm) => Math.min(0.75, mm / (4 + 0.04 * mm) / 30.4));
}

/** Northern figures read in the south: the same seasons, six months on. */
export const shiftHemisphere = <T>(monthly: T[]): T[] => [...monthly.slice(6), ...monthly.slice(0, 6)];

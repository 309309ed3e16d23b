import { fitSpread } from './spread.ts';
import { type Site, shiftHemisphere, wetShareFrom } from '../site/site.ts';

/** A generic climate: monthly normals stated for the northern hemisphere. */
export interface ClimatePattern {
  id: string;
  name: string;
  latitude_deg: number;
  tmax_c: number[];
  tmin_c: number[];
  rain_mm: number[];
  coldestNight_c: number;
  coastal: boolean;
}

/** A site with the pattern's seasons at this latitude; south of the equator the months move by six. */
export function siteFromPattern(pattern: ClimatePattern, latitude_deg: number = pattern.latitude_deg): Site {
  const turn = <T>(m: T[]) => (latitude_deg < 0 !== pattern.latitude_deg < 0 ? shiftHemisphere(m) : [...m]);
  const rain_mm = turn(pattern.rain_mm);
  return fitSpread({
    latitude_deg,
    coastal: pattern.coastal,
    tmax_c: turn(pattern.tmax_c),
    tmin_c: turn(pattern.tmin_c),
    rain_mm,
    wetShare: wetShareFrom(rain_mm),
    coldestNight_c: pattern.coldestNight_c,
    sdCold_c: 4,
    sdWarm_c: 2,
  });
}

import { acos, cos, sin, tan } from '../units/exact.ts';
/**
 * Answers: how long is the day, and how much sunlight arrives above the air?
 * Equations: FAO-56 eq. 21-25 (declination, sunset angle, extraterrestrial radiation); day length to the sun's centre at
 * -0.83 degrees, as flowering responses in the catalogue are stated for sunrise to sunset.
 * Symbols: J day of year 1..366, latitude in degrees north, Ra in MJ/m2/d, N in hours.
 * Source: Allen, Pereira, Raes, Smith 1998, FAO Irrigation and Drainage Paper 56.
 * Worked figure: latitude -20, 3 September gives Ra 32.2 MJ/m2/d (FAO-56 example 8).
 */
const SOLAR_CONSTANT_MJ_M2_MIN = 0.082;
const SUNRISE_ALTITUDE_DEG = -0.83;
const RAD = Math.PI / 180;

const declination = (doy: number): number => 0.409 * sin((2 * Math.PI * (doy + 1)) / 365 - 1.39);

/** Hours from sunrise to sunset; 0 or 24 inside the polar circles' seasons. `doy` counts from 0. */
export function dayLength_h(latitude_deg: number, doy: number): number {
  const d = declination(doy);
  const phi = latitude_deg * RAD;
  const c = (sin(SUNRISE_ALTITUDE_DEG * RAD) - sin(phi) * sin(d)) / (cos(phi) * cos(d));
  return (24 / Math.PI) * acos(Math.max(-1, Math.min(1, c)));
}

/** Extraterrestrial radiation in MJ/m2/d. `doy` counts from 0. */
export function extraterrestrial_MJ(latitude_deg: number, doy: number): number {
  const d = declination(doy);
  const phi = latitude_deg * RAD;
  const distance = 1 + 0.033 * cos((2 * Math.PI * (doy + 1)) / 365);
  const sunset = acos(Math.max(-1, Math.min(1, -tan(phi) * tan(d))));
  const ra =
    ((24 * 60) / Math.PI) *
    SOLAR_CONSTANT_MJ_M2_MIN *
    distance *
    (sunset * sin(phi) * sin(d) + cos(phi) * cos(d) * sin(sunset));
  return Math.max(0, ra);
}

/** Where the sun stands: altitude over the horizon and azimuth clockwise from north, degrees. */
export interface SunPosition {
  altitude_deg: number;
  azimuth_deg: number;
}

/**
 * Answers: where does the sun stand at an hour of its own day (12 when it is highest)?
 * Equation: sin h = sin phi sin d + cos phi cos d cos w, with w = 15 degrees an hour from noon; azimuth from its east and north components.
 * Source: FAO-56 for the declination, spherical trigonometry. Clocks run up to an hour or two beside the sun.
 * Worked figure: latitude 50, 21 June (doy 172), noon: 63.4 degrees high in the south; latitude -37, noon: in the north.
 */
export function sunAt(latitude_deg: number, doy: number, hour: number): SunPosition {
  const d = declination(doy);
  const phi = latitude_deg * RAD;
  const w = (hour - 12) * 15 * RAD;
  const up = sin(phi) * sin(d) + cos(phi) * cos(d) * cos(w);
  const north = cos(phi) * sin(d) - sin(phi) * cos(d) * cos(w);
  const east = -cos(d) * sin(w);
  const flat = Math.sqrt(north * north + east * east);
  const bearing = flat < 1e-9 ? 0 : acos(Math.max(-1, Math.min(1, north / flat)));
  return {
    altitude_deg: (Math.PI / 2 - acos(Math.max(-1, Math.min(1, up)))) / RAD,
    azimuth_deg: (east >= 0 ? bearing : 2 * Math.PI - bearing) / RAD,
  };
}

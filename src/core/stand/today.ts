import { asFractions } from '../units/shape.ts';

/** The day as every member meets it, and the turn of one; written over day by day. */
export interface Today {
  tmin_c: number;
  tmax_c: number;
  mean_c: number;
  snow_cm: number;
  soil_c: number;
  /** 1 in autumn, while days shorten below twelve hours; else 0. */
  shortens: number;
  /** Chilling earned today, 0..1. */
  chill: number;
  /** What doubles every ten degrees above ground, 1 at 20 °C. */
  airTempo: number;
  /** Growth that the night left, as a share. */
  afterNight: number;
  /** Water in the seed zone as a share of what it holds. */
  seedbed: number;
  /** How far the plants that stand fill the ground, against a full stand. */
  crowding: number;
  /** Share of light that the leaves catch, 0..1. */
  intercepted: number;
  /** Photosynthetically active light caught by the stand, MJ/m2, less what frozen ground, drought and a full stand keep from use. */
  light_MJ: number;
  /** Reciprocal of the sum of the members' pulls on it; 0 when there is none. */
  perPull: number;
  /** Fall of the critical nitrogen of a canopy this heavy, 0..1. */
  critical: number;
  /** What a stand near the heaviest reported still adds, 0..1. */
  brake: number;
  /** Mineral nitrogen in the ground; members take from it in turn. */
  mineral_g_m2: number;
  /** Of the member whose turn it is: warmth of the day, 0..1, and day-length factor. */
  warmth: number;
  daylength: number;
  /** Share of its plants that come through the day. */
  stands: number;
  /** What its day brought and took. */
  made_g_m2: number;
  taken_g_m2: number;
  fixed_g_m2: number;
  /** Dry matter that cold and heat took, and the nitrogen in it. */
  lost_g_m2: number;
  lostN_g_m2: number;
}

export const newToday = (): Today => ({
  tmin_c: 0,
  tmax_c: 0,
  mean_c: 0,
  snow_cm: 0,
  soil_c: 0,
  shortens: 0,
  chill: 0,
  airTempo: 0,
  afterNight: 1,
  seedbed: 0,
  crowding: 1,
  intercepted: 0,
  light_MJ: 0,
  perPull: 0,
  critical: 1,
  brake: 1,
  mineral_g_m2: 0,
  warmth: 0,
  daylength: 1,
  stands: 1,
  made_g_m2: 0,
  taken_g_m2: 0,
  fixed_g_m2: 0,
  lost_g_m2: 0,
  lostN_g_m2: 0,
});
asFractions(newToday());

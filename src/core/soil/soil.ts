/** What the ground gives. Values are for an ordinary garden bed of each kind; see docs/methods/soil.md. */
export interface Soil {
  texture: 'sand' | 'loam' | 'clay';
  fertility: 'lean' | 'fair' | 'rich';
}

/** Plant-available water in the root zone, mm (FAO-56 table 19 middle values over 0.8 m, rounded). */
export const AVAILABLE_WATER_MM = { sand: 65, loam: 120, clay: 140 } as const;
/** Water that the top 5 cm, where seed lies, can hold for plants, mm. */
export const SEED_ZONE_MM = 14;
/** Its top centimetre. */
export const TOP_MM = SEED_ZONE_MM / 5;
/** Mineral nitrogen left after a crop, g/m2. */
export const START_NITROGEN_G_M2 = { lean: 3, fair: 9.5, rich: 14 } as const;
/** Nitrogen set free by the soil at 15 °C, g/m2/d. */
export const MINERALISED_G_M2_D = { lean: 0.025, fair: 0.048, rich: 0.085 } as const;

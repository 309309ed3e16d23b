/** What makes one plausible year differ from the next besides weather: variety, seed, soil, all that is not known. */
export interface Variation {
  stageRate: number;
  growth: number;
  emergence: number;
  /** Shift of the killing temperature, °C. */
  hardiness_c: number;
  /** Tougher plants also die less surely by hand: factor on the odds of being killed by a pass. */
  killOdds: number;
  /** ... and factor on the heat that kills them under a sheet. */
  coverHeat: number;
}

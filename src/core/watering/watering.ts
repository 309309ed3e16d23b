/** One millimetre on one square metre is one litre. */
export const litresFor = (mm: number, area_m2: number): number => mm * area_m2;

/** Minutes that a flow takes for a depth over an area. @param flow_l_min what the gardener's own hose or can gives */
export const minutesFor = (mm: number, area_m2: number, flow_l_min: number): number =>
  litresFor(mm, area_m2) / flow_l_min;

/** A garden tap gives 10 to 25 litres a minute; beyond this it is no tap but a pump or a mistake. */
const MOST_TAP_L_MIN = 40;
const LEAST_L_MIN = 0.2;
export const flowSense = (l_min: number): 'likely' | 'impossible' | 'trickle' =>
  l_min > MOST_TAP_L_MIN ? 'impossible' : l_min < LEAST_L_MIN ? 'trickle' : 'likely';

export interface CupTest {
  /** Depth caught by each cup, mm. */
  cups_mm: number[];
  minutes: number;
}

export interface CupAnswer {
  mm_h: number;
  /** Christiansen's coefficient of uniformity, 0..1: 1 - mean |x - mean| / mean. */
  uniformity: number;
  /** Mean of the driest quarter of cups over the mean of all, 0..1. */
  lowestQuarter: number;
  /** Litres a minute over the area wetted, to hold against what a tap can give. */
  flow_l_min: number;
}

/**
 * Answers: how fast and how evenly does this hose, line or sprinkler water?
 * Source: Christiansen 1942, Irrigation by Sprinkling (California bulletin 670), for both coefficients.
 * Worked figure: cups of 4, 5, 6 and 5 mm in 15 minutes: 20 mm an hour, uniformity 0.90, driest quarter 0.80.
 */
export function cupAnswer(test: CupTest, area_m2: number): CupAnswer | undefined {
  const n = test.cups_mm.length;
  const mean = test.cups_mm.reduce((s, c) => s + c, 0) / n;
  if (n < 3 || !(mean > 0) || !(test.minutes > 0)) return undefined;
  const sorted = [...test.cups_mm].sort((a, b) => a - b);
  const quarter = sorted.slice(0, Math.max(1, Math.floor(n / 4)));
  const mm_h = (mean / test.minutes) * 60;
  return {
    mm_h,
    uniformity: 1 - test.cups_mm.reduce((s, c) => s + Math.abs(c - mean), 0) / n / mean,
    lowestQuarter: quarter.reduce((s, c) => s + c, 0) / quarter.length / mean,
    flow_l_min: (mm_h * area_m2) / 60,
  };
}

/** To wet the seed bed 8 to 10 cm deep at once, mm, and to keep its top moist until most are up. */
export const FIRST_WATERING_MM = 12;
const KEEP_MM = 5;

/** How much and how often, after the first watering, until plants stand. Warmer days dry the top sooner. */
export function keepMoist(airMean_c: number): { mm: number; every_d: number } {
  return { mm: KEEP_MM, every_d: airMean_c >= 22 ? 1 : airMean_c >= 16 ? 2 : airMean_c >= 11 ? 3 : 4 };
}

/** Loose straw that leaves half the soil showing: 1.3 t/ha covers about half (Gregory 1982), about a centimetre deep when shaken out. */
const NURSE_G_M2 = 130;
const NURSE_DEPTH_M = 0.012;
const BALE_KG = 15;
export const nurseStraw = (area_m2: number) => ({
  kilograms: (area_m2 * NURSE_G_M2) / 1000,
  bales: (area_m2 * NURSE_G_M2) / 1000 / BALE_KG,
  litres: area_m2 * NURSE_DEPTH_M * 1000,
  depth_mm: NURSE_DEPTH_M * 1000,
});

/** Soil or sieved compost to hide seed under, litres; a millimetre on a square metre is a litre. */
export const soilCover_l = (area_m2: number, depth_mm: number): number => area_m2 * depth_mm;

/** Which system each quantity is shown in; people mix them. */
export interface UnitChoice {
  length: 'metric' | 'imperial';
  mass: 'metric' | 'imperial';
  temperature: 'celsius' | 'fahrenheit';
}

export const M2_PER_FT2 = 0.09290304;
export const G_PER_OZ = 28.349523125;
export const G_PER_LB = 453.59237;
const M_PER_FT = 0.3048;
export const MM_PER_IN = 25.4;
/** The gallon of the United States. */
export const L_PER_GAL = 3.785411784;

/** Writers of figures with so many digits behind the point: made once, since making one takes longer than writing a page of figures. */
const WRITERS = [0, 1, 2].map(
  (digits) =>
    new Intl.NumberFormat('en-GB', {
      minimumFractionDigits: digits,
      maximumFractionDigits: digits,
      // What rounds to nothing has no sign.
      signDisplay: 'negative',
    }),
);
const round = (x: number, digits: 0 | 1 | 2) => WRITERS[digits]!.format(x);

/**
 * A mass for the scale: tenths below 20 g, whole grams above. Scales show tenths of an ounce, too coarse below an ounce: there the grams stand beside it,
 * and under a tenth alone.
 */
export function showMass(grams: number, units: UnitChoice): string {
  if (units.mass === 'imperial') {
    const oz = grams / G_PER_OZ;
    if (oz >= 32) return `${Math.floor(grams / G_PER_LB)} lb ${round((grams % G_PER_LB) / G_PER_OZ, 1)} oz`;
    if (oz < SCALE_LEAST_OZ) return `${round(grams, 1)} g`;
    return oz < 1 ? `${round(oz, 1)} oz (${round(grams, grams < 10 ? 1 : 0)} g)` : `${round(oz, 1)} oz`;
  }
  if (grams >= 2000) return `${round(grams / 1000, 2)} kg`;
  return `${round(grams, grams < 20 ? 1 : 0)} g`;
}

/** Small seed lies about so heavy in a spoon, g/ml, and a level teaspoon holds so much, ml. */
const SEED_G_ML = 0.75;
const TEASPOON_ML = 5;
/** What kitchen scales no longer show, g. */
const SCALE_LEAST_G = 1;
const SCALE_LEAST_OZ = 0.1;
const SPOONS: [number, string][] = [
  [1 / 16, 'a pinch'],
  [1 / 8, '⅛ teaspoon'],
  [1 / 4, '¼ teaspoon'],
  [1 / 2, '½ teaspoon'],
  [3 / 4, '¾ teaspoon'],
];

/** A weight of seed as it can be measured out: on the scale, or where no scale shows it by the spoon and with sand to throw it in. */
export function showSeed(grams: number, units: UnitChoice): string {
  const least = units.mass === 'imperial' ? SCALE_LEAST_OZ * G_PER_OZ : SCALE_LEAST_G;
  if (grams >= least) return showMass(grams, units);
  const spoon = grams / SEED_G_ML / TEASPOON_ML;
  const near = [...SPOONS].sort((a, b) => Math.abs(a[0] - spoon) - Math.abs(b[0] - spoon))[0]!;
  return `${near[1]} (in a cup of dry sand)`;
}

export const showAreaMetric = (m2: number): string => `${round(m2, m2 < 100 ? 1 : 0)} m²`;
export const showAreaImperial = (m2: number): string => `${round(m2 / M2_PER_FT2, 0)} ft²`;
export const showArea = (m2: number, units: UnitChoice): string =>
  units.length === 'imperial' ? showAreaImperial(m2) : showAreaMetric(m2);

export function showLength(m: number, units: UnitChoice): string {
  if (units.length === 'metric')
    return m < 1
      ? `${round(m * 100, 0)} cm`
      : `${round(m, m % 1 === 0 ? 0 : m * 10 === Math.round(m * 10) ? 1 : 2)} m`;
  const inches = Math.round((m / M_PER_FT) * 12);
  const feet = Math.floor(inches / 12);
  const rest = inches - feet * 12;
  if (feet === 0) return `${rest} in`;
  return rest === 0 ? `${feet} ft` : `${feet} ft ${rest} in`;
}

const EIGHTHS = ['', '⅛', '¼', '⅜', '½', '⅝', '¾', '⅞'];

/** A depth of seed or soil: millimetres and centimetres, or inches to the nearest eighth and never less than one. */
export function showDepth(mm: number, units: UnitChoice): string {
  if (units.length === 'metric') return mm < 30 ? `${round(mm, 0)} mm` : `${round(mm / 10, 0)} cm`;
  const eighths = Math.max(1, Math.round((mm / MM_PER_IN) * 8));
  return `${[Math.floor(eighths / 8) || '', EIGHTHS[eighths % 8]].filter(Boolean).join(' ')} in`;
}

/** Rain or watering: whole millimetres, or hundredths of an inch. */
export const showRain = (mm: number, units: UnitChoice): string =>
  units.length === 'imperial' ? `${round(mm / MM_PER_IN, 2)} in` : `${round(mm, 0)} mm`;

export function showVolume(litres: number, units: UnitChoice): string {
  if (units.length === 'metric') return `${round(litres, 0)} litres`;
  const gallons = litres / L_PER_GAL;
  return `${round(gallons, gallons < 10 ? 1 : 0)} gallons`;
}

export const showFlow = (l_min: number, units: UnitChoice): string =>
  units.length === 'imperial'
    ? `${Number((l_min / L_PER_GAL).toPrecision(2))} gallons a minute`
    : `${Number(l_min.toPrecision(2))} litres a minute`;

/** Mass per area in the gardener's own: g/m² or oz per 100 ft². */
export function showPerArea(g_m2: number, units: UnitChoice): string {
  if (units.mass === 'imperial') return `${round((g_m2 * M2_PER_FT2 * 100) / G_PER_OZ, 1)} oz/100 ft²`;
  return `${round(g_m2, Math.abs(g_m2) < 20 ? 1 : 0)} g/m²`;
}

/** What a bed brings, fresh: kg/m², or pounds a square foot. */
export const showYield = (kg_m2: number, units: UnitChoice): string =>
  units.mass === 'imperial'
    ? `${round((kg_m2 * 1000 * M2_PER_FT2) / G_PER_LB, 2)} lb/ft²`
    : `${round(kg_m2, 1)} kg/m²`;

/** A count on an area, as so many a square metre or a square foot. */
export const showCount = (per_m2: number, units: UnitChoice): string =>
  units.length === 'imperial'
    ? `${round(per_m2 * M2_PER_FT2, per_m2 < 100 ? 1 : 0)} a square foot`
    : `${round(per_m2, 0)} a square metre`;

export const showTemperature = (c: number, units: UnitChoice): string =>
  units.temperature === 'fahrenheit' ? `${Math.round(c * 1.8 + 32)} °F` : `${Math.round(c)} °C`;

export const METRIC: UnitChoice = { length: 'metric', mass: 'metric', temperature: 'celsius' };
export const IMPERIAL: UnitChoice = { length: 'imperial', mass: 'imperial', temperature: 'fahrenheit' };

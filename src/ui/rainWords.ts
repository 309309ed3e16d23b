import { showRain, type UnitChoice } from '../core/units/show.ts';

const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];
/** The wettest month with less than this times the driest is an even year. */
const EVEN = 2;
/** A month with less than this leaves seed waiting, mm. */
const DRY_MM = 25;

/** A year of rain in words: how much, when most and least, and the months in which seed waits for it. */
export function rainWords(rain_mm: readonly number[], units: UnitChoice): string {
  const year = rain_mm.reduce((a, b) => a + b, 0);
  const wettest = rain_mm.indexOf(Math.max(...rain_mm));
  const driest = rain_mm.indexOf(Math.min(...rain_mm));
  const of = (m: number) => `${MONTHS[m]} (${showRain(rain_mm[m]!, units)})`;
  const dry = MONTHS.filter((_, m) => rain_mm[m]! < DRY_MM);
  const spread =
    rain_mm[wettest]! < EVEN * rain_mm[driest]!
      ? 'spread evenly over the year'
      : `most in ${of(wettest)}, least in ${of(driest)}`;
  return `${showRain(year, units)} of rain in a year, ${spread}${
    dry.length > 0
      ? `; in ${dry.length === 1 ? dry[0] : `${dry.length} months`} seed waits for water unless it is watered`
      : ''
  }.`;
}

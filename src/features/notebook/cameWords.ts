import { type Day, dayOf } from '../../core/calendar/day.ts';
import { type CameOf } from '../../core/learn/came.ts';
import { type CropAfter } from '../../core/learn/cropAfter.ts';
import { type NextTimeLine } from '../../core/learn/nextTime.ts';
import { quantile } from '../../core/random/quantile.ts';
import { showPerArea, showYield, type UnitChoice } from '../../core/units/show.ts';
import type { Cover } from '../../records/types.ts';
import { showDay } from '../../ui/dates.ts';

// What came of a cover in words: what was expected beside what was seen, and the likeliest causes of the difference with their size.

export interface Pair {
  title: string;
  low: number;
  mid: number;
  high: number;
  seen: number;
  show(x: number): string;
  why: string;
}

/** Under so much a cause is not named: a day, this share of a full stand of weeds, or this share of the mass that was expected. */
const NAMED_D = 1.5;
const NAMED_WEEDS = 0.05;
const NAMED_SHARE = 0.05;
const NAMED_G_M2 = 10;
const TITLES: Record<CameOf['what'], string> = {
  up: 'Up',
  closed: 'Ground closed',
  flower: 'In flower',
  weeds: 'Weeds',
  bulk: 'Bulk at its end, by your looks',
};
const day = (x: number): string => showDay(Math.round(x) as Day);
const daysWords = (x: number): string => `${Math.abs(Math.round(x))} d ${x < 0 ? 'sooner' : 'later'}`;

/** Weed masses between what is called few, some and many. */
const SOME_FROM = 0.15;
const MANY_FROM = 0.475;
const weedsWord = (mass: number): string => (mass < SOME_FROM ? 'few' : mass < MANY_FROM ? 'some' : 'many');

export function pairOf(c: CameOf, units: UnitChoice): Pair {
  const words = wordsOf(c, units);
  const { causes, weather } = c;
  const why = (
    [
      ['the seed that was thrown', causes.rate],
      ['how old the seed was', causes.age],
      ['the way it was sown', causes.way],
      ['the day it was sown', causes.date],
      [warmthWords(weather.warmer_c, units), causes.warmth],
      [rainWords(weather.rainTimes), causes.rain],
      ['kind, ground, hand or chance', causes.rest],
    ] as const
  )
    .filter(([, x]) => Math.abs(x) >= words.least)
    .sort((a, b) => Math.abs(b[1]) - Math.abs(a[1]))
    .map(([cause, x]) => `${cause}: ${words.by(x)}`)
    .join('; ');
  return { title: TITLES[c.what], ...c.expected, seen: c.seen, show: words.show, why };
}

/** Within so much of the usual it is not how much of it came but when. */
const AS_USUAL_C = 0.5;
const AS_USUAL_RAIN = 0.1;

function warmthWords(warmer_c: number, units: UnitChoice): string {
  if (Math.abs(warmer_c) < AS_USUAL_C) return 'the weeks in which it was warm';
  const far = units.temperature === 'fahrenheit';
  const degrees = (Math.abs(warmer_c) * (far ? 1.8 : 1)).toFixed(1);
  return `${degrees} ${far ? '°F' : '°C'} ${warmer_c < 0 ? 'colder' : 'warmer'} than usual`;
}

const rainWords = (times: number): string =>
  Math.abs(times - 1) < AS_USUAL_RAIN
    ? 'the weeks in which it rained'
    : `${times < 1 ? 'drier' : 'wetter'}, ${Math.round(times * 100)} % of the usual rain`;

/** How a thing is told, how a difference of it is, and the least that is named. */
function wordsOf(
  { what, expected }: CameOf,
  units: UnitChoice,
): { show(x: number): string; by(x: number): string; least: number } {
  switch (what) {
    case 'bulk':
      return {
        show: (x) => showPerArea(Math.round(x), units),
        by: (x) => `${showPerArea(Math.round(Math.abs(x)), units)} ${x < 0 ? 'less' : 'more'}`,
        least: Math.max(NAMED_G_M2, expected.mid * NAMED_SHARE),
      };
    case 'weeds':
      return {
        show: weedsWord,
        by: (x) => `${Math.abs(Math.round(x * 100))} % of full weeds ${x < 0 ? 'less' : 'more'}`,
        least: NAMED_WEEDS,
      };
    default:
      return { show: day, by: daysWords, least: NAMED_D };
  }
}

/** The end beside what was predicted on the day on which its way was chosen: when it was dead, and when the next crop went in. @param planted ISO date of that */
export function endPairs(cover: Cover, planted: string | null | undefined): Pair[] {
  const { predicted, verdict, endedOn } = cover;
  if (!predicted) return [];
  const late = begunLate_d(cover);
  const why = Math.abs(late) >= NAMED_D ? `the day its ending was begun: ${daysWords(late)}` : '';
  const pair = (title: string, range: typeof predicted.dead, seen: string | null | undefined): Pair[] =>
    range.low && range.high && seen
      ? [
          {
            title,
            low: dayOf(range.low),
            mid: dayOf(range.mid ?? range.low),
            high: dayOf(range.high),
            seen: dayOf(seen),
            show: day,
            why,
          },
        ]
      : [];
  return [
    ...pair('Dead', predicted.dead, verdict === 'dead' ? endedOn : null),
    ...pair('Ready, planted', predicted.ready, planted),
  ];
}

/** A line for the next time as the gardener might write it. */
export function nextTimeWords(line: NextTimeLine): string {
  switch (line.code) {
    case 'sow-sooner':
      return `Sow ${line.days} days sooner.`;
    case 'end-sooner':
      return `Begin its end ${line.days} days sooner.`;
    case 'throw-it-all':
      return 'Throw all the seed that was weighed out for it.';
    case 'sow-as-planned':
      return 'Sow it in the way that was planned.';
    case 'test-seed':
      return 'Test the seed first, or take fresh.';
    case 'water':
      return 'Water it through dry weeks.';
    case 'sow-thicker':
      return 'Sow a third thicker, weeds came through.';
  }
}

/** Days by which an ending was begun later than it had been settled. */
export function begunLate_d({ passes, predicted }: Cover): number {
  const begun = passes.find((p) => p.doneOn)?.doneOn;
  return begun && predicted ? dayOf(begun) - dayOf(predicted.startOn) : 0;
}

/** What the crop after it brought, beside others of its kind. */
export function cropAfterWords({ kg_m2, others }: CropAfter, units: UnitChoice): string {
  const own = showYield(kg_m2, units);
  if (others.length === 0) return `${own}; no other of its kind was weighed here`;
  const usual = showYield(quantile(others, 0.5), units);
  return others.length === 1
    ? `${own}; the other one that was weighed brought ${usual}`
    : `${own}; the middle of the other ${others.length} that were weighed is ${usual}`;
}

import { describe, expect, test } from '@jest/globals';
import { dayOf, isoOf } from '../calendar/day.ts';
import { bareShare, bedYear, firstDay, gardenYears, weatherOf } from './years.ts';

const crop = (plantOn: string, clearOn: string, bedId = 'a') => ({
  id: `${bedId}${plantOn}`,
  bedId,
  cropId: 'leek',
  plantOn,
  plantedOn: plantOn,
  clearOn,
  clearedOn: clearOn,
});

/** Every month alike: 4 to 16 °C and 61 mm. */
const USUAL = {
  tmin_c: Array<number>(12).fill(4),
  tmax_c: Array<number>(12).fill(16),
  rain_mm: Array<number>(12).fill(61),
};

describe('years of a garden', () => {
  test('calendar years in the north, from July in the south', () => {
    expect(gardenYears('2024-08-01', '2026-03-01', false).map((y) => y.name)).toEqual([
      '2024',
      '2025',
      '2026',
    ]);
    expect(gardenYears('2024-08-01', '2026-03-01', true).map((y) => y.name)).toEqual(['2024/25', '2025/26']);
    const [y] = gardenYears('2024-03-01', '2024-03-02', true);
    expect([y!.name, isoOf(y!.from), isoOf(y!.to)]).toEqual(['2023/24', '2023-07-01', '2024-07-01']);
  });
  test('bare days count from the first word of the record to today, not before and not after', () => {
    const [y] = gardenYears('2025-01-01', '2025-12-31', false);
    const plantings = [crop('2025-03-01', '2025-05-01'), crop('2025-05-11', '2025-07-01')];
    const one = bedYear('a', plantings, [], y!, dayOf('2025-07-21'));
    expect(one.known_d).toBe(dayOf('2025-07-21') - dayOf('2025-03-01'));
    expect(one.bare_d).toBe(10 + 20);
    expect(bareShare([one, bedYear('never', plantings, [], y!, dayOf('2025-07-21'))])).toBeCloseTo(
      30 / 142,
      9,
    );
    expect(bareShare([bedYear('never', [], [], y!, dayOf('2025-07-21'))])).toBeUndefined();
    expect(firstDay(plantings, [], '2026-01-01')).toBe('2025-03-01');
    expect(firstDay([], [], '2026-01-01')).toBe('2026-01-01');
  });
  test('a bed that is cut counts the days on which it was whole, a piece those on which it was one, by its share', () => {
    const [y] = gardenYears('2025-01-01', '2025-12-31', false);
    const plantings = [crop('2025-03-01', '2025-03-21'), crop('2025-05-11', '2025-06-01', 'piece')];
    const now = dayOf('2025-06-11');
    const [cut, joined] = [dayOf('2025-04-01'), dayOf('2025-06-01')];
    const whole = bedYear('a', plantings, [], y!, now, [
      { from: y!.from, to: cut },
      { from: joined, to: y!.to },
    ]);
    // Eleven days before the cut and ten after it.
    expect([whole.bare_d, whole.known_d, whole.share]).toEqual([11 + 10, 31 + 10, 1]);
    const piece = bedYear('piece', plantings, [], y!, now, [{ from: cut, to: joined }], 0.25);
    expect([piece.bare_d, piece.known_d]).toEqual([0, 21]);
    expect(bareShare([whole, piece])).toBeCloseTo(21 / (41 + 0.25 * 21), 9);
  });
});

describe('weather of a year', () => {
  const day = (on: string, tmin_c: number, rain_mm = 2) => ({ on, tmin_c, tmax_c: tmin_c + 10, rain_mm });
  const year = gardenYears('2025-01-01', '2025-12-31', false)[0]!;
  test('frosts on either side of summer, rain, and the longest dry run of the warm half', () => {
    const days = [
      day('2025-01-10', -5, 0),
      day('2025-05-03', -0.5),
      ...Array.from({ length: 12 }, (_, i) => day(isoOf(dayOf('2025-06-01') + i), 8, i === 5 ? 4 : 0.3)),
      day('2025-10-20', -1),
      day('2025-12-01', -4),
    ];
    const w = weatherOf(days, year, USUAL)!;
    expect([w.lastFrost, w.firstFrost, w.days]).toEqual(['2025-05-03', '2025-10-20', 16]);
    expect(w.dryRun_d).toBe(6);
    expect(w.rain_mm).toBeCloseTo(0 + 2 + 11 * 0.3 + 4 + 2 + 2, 9);
  });
  test('a dry run is counted in the warm months alone: from the ninety-first day of the year to the two hundred and seventy-third', () => {
    const dryFrom = (n: number, length: number) =>
      Array.from({ length }, (_, i) => day(isoOf(year.from + n + i), 8, 0));
    expect(weatherOf(dryFrom(80, 15), year, USUAL)!.dryRun_d).toBe(5);
    expect(weatherOf(dryFrom(268, 15), year, USUAL)!.dryRun_d).toBe(5);
  });
  test('a gap in the record ends a dry run, days of another year are not counted, nothing measured is nothing', () => {
    const dry = (from: string, n: number) =>
      Array.from({ length: n }, (_, i) => day(isoOf(dayOf(from) + i), 8, 0));
    expect(weatherOf([...dry('2025-06-01', 4), ...dry('2025-06-08', 5)], year, USUAL)!.dryRun_d).toBe(5);
    expect(weatherOf(dry('2026-06-01', 4), year, USUAL)).toBeUndefined();
    expect(weatherOf(dry('2025-06-01', 2), year, USUAL)!.lastFrost).toBeNull();
  });
  test('a year stands against the usual of the days that were measured, month by month', () => {
    const at = (on: string, tmin_c: number, tmax_c: number, rain_mm: number) => ({
      on,
      tmin_c,
      tmax_c,
      rain_mm,
    });
    const few = [at('2025-01-10', 3, 9, 0), at('2025-07-10', 10, 26, 3)];
    const w = weatherOf(few, year, { ...USUAL, tmax_c: USUAL.tmax_c.map((t, m) => (m === 6 ? 24 : t)) })!;
    // January 4 colder than its 10, July 4 warmer than its 14.
    expect(w.warmer_c).toBeCloseTo(0, 9);
    expect(weatherOf([few[0]!], year, USUAL)!.warmer_c).toBeCloseTo(-4, 9);
    // 3 mm where two days usually bring 2 x 61 / 30.44.
    expect(w.rainTimes).toBeCloseTo(3 / ((2 * 61) / (365.25 / 12)), 9);
    expect(weatherOf(few, year, { ...USUAL, rain_mm: USUAL.rain_mm.map(() => 0) })!.rainTimes).toBe(1);
  });
});

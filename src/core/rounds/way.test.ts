import { describe, expect, test } from '@jest/globals';
import { type Point } from '../ground/shape.ts';
import { type QuestionKind } from './question.ts';
import { walkMinutes, wayOf, type WalkDay } from './way.ts';

const stop = (bedId: string, kind: QuestionKind, minutes = 2) => ({ bedId, question: { kind, minutes } });
const MILD: WalkDay = { low_c: 4, rain_mm: 0, rainNext_mm: 0, light_h: 14 };
/** Beds in a row, ten metres apart, numbered across the garden and back. */
const ROW = new Map<string, Point | null>([
  ['a', [0, 0]],
  ['b', [30, 0]],
  ['c', [10, 0]],
  ['d', [20, 0]],
]);
const names = (way: { order: { bedId: string; question: { kind: string } }[] }) =>
  way.order.map((s) => `${s.bedId} ${s.question.kind}`);

describe('the way past the beds that are due', () => {
  test('is the short one from where it begins, the questions of a bed together', () => {
    const due = [
      stop('a', 'stage'),
      stop('b', 'cover'),
      stop('c', 'weeds'),
      stop('c', 'height'),
      stop('d', 'cover'),
    ];
    const way = wayOf(due, ROW, [-5, 0], MILD);
    expect(names(way)).toEqual(['a stage', 'c weeds', 'c height', 'd cover', 'b cover']);
    expect(way.length_m).toBeCloseTo(35, 9);
    expect(way.notes).toEqual([]);
    // From the far end it goes the other way round.
    expect(names(wayOf(due, ROW, [40, 0], MILD))[0]).toBe('b cover');
  });
  test('with a bed that lies nowhere yet it is as given, and nobody says how long', () => {
    const places = new Map(ROW).set('c', null);
    const due = [stop('b', 'cover'), stop('a', 'stage'), stop('c', 'weeds')];
    const way = wayOf(due, places, [0, 0], MILD);
    expect([names(way), way.length_m]).toEqual([['b cover', 'a stage', 'c weeds'], undefined]);
  });
  test('after a frozen night what lives is asked last, in a second way from where the first ends', () => {
    const due = [stop('a', 'alive', 5), stop('a', 'height', 1), stop('c', 'cover'), stop('b', 'alive', 5)];
    const way = wayOf(due, ROW, [0, 0], { ...MILD, low_c: -4 });
    expect(names(way)).toEqual(['a height', 'c cover', 'a alive', 'b alive']);
    expect(way.length_m).toBeCloseTo(10 + 10 + 30, 9);
    expect(way.notes).toEqual([{ is: 'frozen', low_c: -4 }]);
    // A touch of frost freezes no leaf, and where nothing is asked to live it does not matter.
    expect(wayOf(due, ROW, [0, 0], { ...MILD, low_c: -0.5 }).notes).toEqual([]);
    expect(wayOf([stop('a', 'cover')], ROW, [0, 0], { ...MILD, low_c: -8 }).notes).toEqual([]);
  });
  test('rain today spoils pictures and soil, rain tomorrow speaks for today; a short day is said', () => {
    const at = (day: Partial<WalkDay>, kind: QuestionKind = 'cover') =>
      wayOf([stop('a', kind)], ROW, undefined, { ...MILD, ...day }).notes.map((n) => n.is);
    expect(at({ rain_mm: 2 })).toEqual(['wet']);
    expect(at({ rain_mm: 1.9 })).toEqual([]);
    expect(at({ rain_mm: 6, rainNext_mm: 9 })).toEqual(['wet']);
    expect(at({ rain_mm: 6, rainNext_mm: 9 }, 'stage')).toEqual(['rain-ahead']);
    expect(at({ rainNext_mm: 4.9 })).toEqual([]);
    expect(at({ light_h: 9.9 })).toEqual(['short-day']);
    expect(wayOf([], ROW, undefined, { ...MILD, light_h: 8, rainNext_mm: 20 }).notes).toEqual([]);
  });
  test('what is not known of the day says nothing', () => {
    expect(wayOf([stop('a', 'alive'), stop('b', 'cover')], ROW, undefined, { light_h: 12 }).notes).toEqual(
      [],
    );
  });
  test('minutes are those of the questions and of a slow walk', () => {
    expect(walkMinutes([stop('a', 'stage', 4), stop('b', 'cover', 2)], 80)).toBe(8);
    expect(walkMinutes([stop('a', 'stage', 4)])).toBe(4);
  });
});

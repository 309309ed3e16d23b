import { expect, test } from '@jest/globals';
import { methodsHere } from '../../questions/methods.ts';
import { FREE_RULES } from '../../questions/rules.ts';
import { bySchools, openQuestions, SCHOOL_IDS, SCHOOLS } from './schools.ts';
import { takeApart } from './method.ts';

const kit = ['shears', 'opaque-sheet', 'crimper-board', 'spade', 'rake', 'flail-mower', 'mower'];
const way = (id: string, choices: Record<string, string> = {}, bed: Record<string, string> = {}) =>
  methodsHere({ kit, rules: FREE_RULES, choices }, { edged: false, keptPlants: false, choices: bed }).find(
    (m) => m.id === id,
  )!;

test('what nobody has answered changes nothing', () => {
  for (const m of methodsHere({ kit, rules: FREE_RULES })) expect(bySchools(m, {})).toBe(m);
});
test('mown before the sheet: the stand is down first, and the minutes are those of a mower', () => {
  const mown = way('sheet', { 'mow-sheet': 'mow' });
  expect(mown.passes.map((p) => p.kind)).toEqual(['mow', 'lay-sheet', 'lift-sheet']);
  expect([takeApart(way('sheet')).loweredFirst, takeApart(mown).loweredFirst]).toEqual([false, true]);
  expect(mown.minutesPer100m2).toBe(way('sheet').minutesPer100m2 - 1);
});
test('crimped once is one pass; ways with one pass ask nothing', () => {
  const once = way('crimp', { 'crimp-times': 'once' });
  expect(once.passes.map((p) => [p.kind, p.after_d])).toEqual([['crimp', 0]]);
  expect(once.minutesPer100m2).toBe(35);
  expect(openQuestions(way('crimp-sheet'), {}).map((q) => q.id)).not.toContain('crimp-times');
});
test('what stays on the bed rules out raking off and pulling, with the rule as the reason', () => {
  const choices = { 'off-bed': 'stays' };
  expect(way('cut-rake', choices).missing).toEqual(['house rule: what grew stays on the bed']);
  expect(way('pull', choices).missing).toHaveLength(1);
  expect(way('cut', choices).missing).toEqual([]);
});
test('a cover may seed itself only where the garden says so', () => {
  expect(way('let-seed', { reseed: 'may' }).proposed).toBe(true);
  expect(way('let-seed', { reseed: 'never' }).missing).toEqual(['house rule: no cover seeds itself']);
});
test('a mat that is not trusted alone is not put forward, but can be done', () => {
  const mat = way('cut-twice', { 'mat-alone': 'cover-it' });
  expect([mat.proposed, mat.missing]).toEqual([false, []]);
  expect(way('crimp-sheet', { 'mat-alone': 'cover-it' }).proposed).toBe(true);
});
test('wilted before the spade: three days between', () => {
  expect(way('dig', { wilt: 'wilted' }).passes.map((p) => p.after_d)).toEqual([0, 3]);
  expect(way('flail', { chop: 'long' }).missing).toEqual(['house rule: stems stay long']);
});
test('roots that stay, ground that is never dug, compost only on what is dead: each rules out its way and no other', () => {
  const ruled = (choices: Record<string, string>) =>
    methodsHere({ kit, rules: FREE_RULES, choices })
      .filter((m) => m.missing.some((w) => w.startsWith('house rule')))
      .map((m) => m.id);
  expect(ruled({ roots: 'stay' })).toEqual(['pull']);
  expect(ruled({ 'goes-over': 'after-kill' })).toEqual(
    methodsHere({ kit, rules: FREE_RULES })
      .filter((m) => m.passes.some((p) => p.kind === 'compost-over'))
      .map((m) => m.id),
  );
  expect(ruled({ 'new-ground': 'never' })).toContain('dig');
  expect(ruled({ roots: 'may-pull', 'goes-over': 'over-green', 'new-ground': 'dig-first' })).toEqual([]);
});
test('where sick debris is cleared, mats are not put forward and raking off is; covers and spades are as they were', () => {
  const clear = { debris: 'clear' };
  for (const id of ['cut', 'cut-twice', 'crimp', 'cut-plant']) expect(way(id, clear).proposed).toBe(false);
  expect(way('cut-rake', clear).proposed).toBe(true);
  for (const id of ['sheet', 'dig']) expect(way(id, clear).proposed).toBe(way(id).proposed);
  expect(way('cut', { debris: 'keep' })).toEqual(way('cut'));
});
test('a bed may be kept another way than the garden', () => {
  expect(way('crimp', { 'crimp-times': 'once' }, { 'crimp-times': 'twice' }).passes).toHaveLength(2);
});
test('a question is open until it is answered, for garden or bed, and shows the way as either side does it', () => {
  const q = openQuestions(way('sheet'), {});
  expect(q.map((x) => x.id)).toEqual(['mow-sheet']);
  expect(q[0]!.ways.map(([side, m]) => [side, m.passes[0]!.kind])).toEqual([
    ['flatten', 'flatten'],
    ['mow', 'mow'],
  ]);
  expect(openQuestions(way('sheet'), { 'mow-sheet': 'flatten' })).toEqual([]);
});
test('every side of every question is one of two, and an unknown side is as none', () => {
  for (const id of SCHOOL_IDS) expect(new Set(SCHOOLS[id].sides).size).toBe(2);
  const crimp = way('crimp');
  expect(bySchools(crimp, { 'crimp-times': 'thrice' })).toBe(crimp);
});

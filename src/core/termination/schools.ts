import { type MethodHere } from './method.ts';

// Where good growers disagree on how to end a cover: each question with what either side changes about a way. What is not answered changes nothing.

export const SCHOOL_IDS = [
  'mow-sheet',
  'crimp-times',
  'off-bed',
  'reseed',
  'chop',
  'mat-alone',
  'wilt',
  'roots',
  'debris',
  'new-ground',
  'goes-over',
  'stagger',
  'eating',
] as const;
export type SchoolId = (typeof SCHOOL_IDS)[number];

/** Sides taken, by question. */
export type Choices = Readonly<Record<string, string | undefined>>;

interface School {
  /** The side that changes nothing first. */
  sides: readonly [string, string];
  /** Whether it bears on this way of ending at all. */
  decides(m: MethodHere): boolean;
  /** The way as this side does it. */
  apply(m: MethodHere, side: string): MethodHere;
}

const has = (m: MethodHere, kind: string): boolean => m.passes.some((p) => p.kind === kind);
const ruledOut = (m: MethodHere, why: string): MethodHere => ({ ...m, missing: [...m.missing, why] });
const timed = (m: MethodHere): MethodHere => ({
  ...m,
  minutesPer100m2: m.passes.reduce((s, p) => s + (p.minutesPer100m2 ?? 0), 0),
});
const leavesMat = (m: MethodHere): boolean =>
  m.passes.every((p) => p.kind === 'cut' || p.kind === 'crimp' || p.kind === 'mow' || p.kind === 'flail');

/** Minutes to mow 100 m2 before a sheet goes on. */
const MOW_MIN = 14;

export const SCHOOLS: Record<SchoolId, School> = {
  'mow-sheet': {
    sides: ['flatten', 'mow'],
    decides: (m) => has(m, 'flatten') && has(m, 'lay-sheet'),
    apply: (m, side) =>
      side === 'mow'
        ? timed({
            ...m,
            passes: m.passes.map((p) =>
              p.kind === 'flatten' ? { ...p, kind: 'mow', minutesPer100m2: MOW_MIN } : p,
            ),
          })
        : m,
  },
  'crimp-times': {
    sides: ['twice', 'once'],
    decides: (m) => m.passes.filter((p) => p.kind === 'crimp').length > 1,
    apply: (m, side) =>
      side === 'once'
        ? timed({
            ...m,
            passes: m.passes.filter(
              (p, i) => p.kind !== 'crimp' || m.passes.findIndex((x) => x.kind === 'crimp') === i,
            ),
          })
        : m,
  },
  'off-bed': {
    sides: ['may-leave', 'stays'],
    decides: (m) => has(m, 'rake-off') || has(m, 'pull'),
    apply: (m, side) => (side === 'stays' ? ruledOut(m, 'house rule: what grew stays on the bed') : m),
  },
  reseed: {
    sides: ['never', 'may'],
    decides: (m) => has(m, 'check-seed'),
    apply: (m, side) =>
      side === 'may' ? { ...m, proposed: true } : ruledOut(m, 'house rule: no cover seeds itself'),
  },
  chop: {
    sides: ['fine', 'long'],
    decides: (m) => has(m, 'flail'),
    apply: (m, side) => (side === 'long' ? ruledOut(m, 'house rule: stems stay long') : m),
  },
  'mat-alone': {
    sides: ['enough', 'cover-it'],
    decides: leavesMat,
    apply: (m, side) => (side === 'cover-it' ? { ...m, proposed: false } : m),
  },
  wilt: {
    sides: ['fresh', 'wilted'],
    decides: (m) => has(m, 'dig') || has(m, 'bury'),
    apply: (m, side) =>
      side === 'wilted'
        ? {
            ...m,
            passes: m.passes.map((p) =>
              (p.kind === 'dig' || p.kind === 'bury') && p.after_d !== null
                ? { ...p, after_d: Math.max(p.after_d, WILTS_D) }
                : p,
            ),
          }
        : m,
  },
  roots: {
    sides: ['may-pull', 'stay'],
    decides: (m) => has(m, 'pull'),
    apply: (m, side) => (side === 'stay' ? ruledOut(m, 'house rule: roots stay in the ground') : m),
  },
  debris: {
    sides: ['keep', 'clear'],
    decides: (m) => leavesMat(m) || has(m, 'rake-off') || has(m, 'set-plants'),
    apply: (m, side) => (side === 'clear' ? { ...m, proposed: has(m, 'rake-off') } : m),
  },
  'new-ground': {
    sides: ['dig-first', 'never'],
    decides: (m) => has(m, 'dig'),
    apply: (m, side) => (side === 'never' ? ruledOut(m, 'house rule: not even new ground is dug') : m),
  },
  'goes-over': {
    sides: ['over-green', 'after-kill'],
    decides: (m) => has(m, 'compost-over'),
    apply: (m, side) =>
      side === 'after-kill' ? ruledOut(m, 'house rule: compost goes only on what is dead') : m,
  },
  stagger: { sides: ['one-day', 'thirds'], decides: () => false, apply: (m) => m },
  eating: { sides: ['soil-alone', 'table-too'], decides: () => false, apply: (m) => m },
};
/** Cut tops are left to wilt so long before they are turned under. */
const WILTS_D = 3;

/** A way as this garden does it, by the sides it has taken. */
export function bySchools(method: MethodHere, choices: Choices): MethodHere {
  let m = method;
  for (const id of SCHOOL_IDS) {
    const side = choices[id];
    const school = SCHOOLS[id];
    if (side !== undefined && school.sides.includes(side) && school.decides(method))
      m = school.apply(m, side);
  }
  return m;
}

/** Questions that bear on a way and were not answered yet, each with the way as either side does it. */
export function openQuestions(
  method: MethodHere,
  choices: Choices,
): { id: SchoolId; ways: [side: string, way: MethodHere][] }[] {
  return SCHOOL_IDS.flatMap((id) => {
    const school = SCHOOLS[id];
    if (choices[id] !== undefined || !school.decides(method)) return [];
    return [{ id, ways: school.sides.map((s): [string, MethodHere] => [s, school.apply(method, s)]) }];
  });
}

import { describe, expect, test } from '@jest/globals';
import { planRotation, planRotations, type RotationInput } from './rotation.ts';
import {
  judge as judgeTurns,
  type OwnRule,
  REST,
  type RotationBed,
  type Turn,
  type Wanted,
} from './rules.ts';

const crop = (cropId: string, family: string, rest_y: number, part: Partial<Wanted> = {}): Wanted => ({
  cropId,
  family,
  rest_y,
  hungry: false,
  gives: false,
  tender: false,
  ...part,
});
const bed = (id: string, part: Partial<RotationBed> = {}): RotationBed => ({
  id,
  block: '',
  past: [],
  hungryNow: false,
  barred: [],
  shaded: false,
  ...part,
});
const FOUR = [
  crop('tomato', 'S', 3, { hungry: true, tender: true }),
  crop('cabbage', 'B', 3, { hungry: true }),
  crop('bean', 'F', 2, { gives: true }),
  crop('carrot', 'A', 3),
];
/** One crop a year and bed; "rest" is a year of rest. */
const turn = (id: string): Turn => (id === 'rest' ? REST : [id]);
const single = (grid: readonly (readonly Turn[])[]) => grid.map((row) => row.map((t) => t[0] ?? 'rest'));
const judge = (input: Parameters<typeof judgeTurns>[0], grid: string[][]) =>
  judgeTurns(
    input,
    grid.map((row) => row.map(turn)),
  );
const bring = (crops: Wanted[]) => ({ turns: crops.map((c) => [c.cropId]), crops });
const four = (part: Partial<RotationInput> = {}): RotationInput => ({
  beds: FOUR.map((c, i) => bed(`b${i}`, { past: [{ family: c.family, yearsAgo: 0 }] })),
  ...bring(FOUR),
  years: 4,
  seed: 1,
  ...part,
});

describe('rotation', () => {
  test('four families on four beds go round in four years with no family before its time', () => {
    const plan = planRotation(four({ years: 3 }), 'fewest-bent');
    expect(plan.bent.filter((b) => b.rule.startsWith('family'))).toEqual([]);
    for (const row of single(plan.grid))
      expect([...row].sort()).toEqual(['bean', 'cabbage', 'carrot', 'tomato']);
    for (const b of [0, 1, 2, 3]) expect(new Set(single(plan.grid).map((r) => r[b])).size).toBe(3);
  });
  test('a hungry crop follows the one that gives, where it can', () =>
    expect(planRotation(four(), 'fewest-bent').fed).toBeGreaterThanOrEqual(2));
  test('a bed with a trouble is kept free of the family that feeds it, the shaded one of what is tender', () => {
    const input = four();
    input.beds[2] = { ...input.beds[2]!, barred: ['B'] };
    input.beds[3] = { ...input.beds[3]!, shaded: true };
    const plan = planRotation({ ...input, years: 2 }, 'fewest-bent');
    expect(single(plan.grid).map((r) => r[2])).not.toContain('cabbage');
    expect(single(plan.grid).map((r) => r[3])).not.toContain('tomato');
  });
  test('where nothing fits, rules are bent and each is told with its bed, year and how soon', () => {
    const two = {
      beds: [bed('a', { past: [{ family: 'S', yearsAgo: 0 }] })],
      ...bring([FOUR[0]!]),
      years: 2,
      seed: 1,
    };
    expect(planRotation(two, 'fewest-bent').bent.filter((b) => b.rule !== 'hungry-twice')).toEqual([
      { rule: 'family-at-once', bedId: 'a', year: 0, cropId: 'tomato', after_y: 1 },
      { rule: 'family-at-once', bedId: 'a', year: 1, cropId: 'tomato', after_y: 1 },
    ]);
  });
  test('the same seed gives the same plan; 24 beds over five years are planned in well under two seconds', () => {
    const many: RotationInput = {
      beds: Array.from({ length: 24 }, (_, i) =>
        bed(`b${i}`, {
          block: i < 12 ? 'East' : 'West',
          past: [{ family: FOUR[i % 4]!.family, yearsAgo: 0 }],
        }),
      ),
      turns: Array.from({ length: 24 }, (_, i) => [FOUR[i % 4]!.cropId]),
      crops: FOUR,
      years: 5,
      seed: 3,
    };
    const plan = planRotation(many, 'fewest-bent');
    expect(planRotation(many, 'fewest-bent').grid).toEqual(plan.grid);
    expect(plan.bent.filter((b) => b.rule === 'family-at-once')).toEqual([]);
    const mixed = (grid: string[][]) =>
      grid.reduce((s, r) => s + new Set(r.slice(0, 12)).size + new Set(r.slice(12)).size, 0);
    const plans = planRotations(many);
    expect(plans.map((p) => p.style)).toEqual(['fewest-bent', 'sections', 'with-rest']);
    expect(mixed(single(plans[1]!.grid))).toBeLessThanOrEqual(mixed(single(plan.grid)));
  });
  test('where beds rest, one in six does each year, and a rest counts as fed ground', () => {
    const six = {
      ...four(),
      beds: [...four().beds, bed('e'), bed('f')],
      ...bring([...FOUR, FOUR[2]!, FOUR[3]!]),
    };
    const plan = planRotation(six, 'with-rest');
    for (const row of single(plan.grid)) expect(row.filter((c) => c === 'rest')).toHaveLength(1);
    const judged = judge(six, [
      ['rest', 'cabbage', 'bean', 'carrot', 'bean', 'carrot'],
      ['tomato', 'carrot', 'carrot', 'bean', 'carrot', 'bean'],
    ]);
    expect(judged.fed).toBe(1);
  });
  test('a family that wants two years between is bent after two, and not after three', () => {
    const two = crop('bean', 'F', 2);
    const other = crop('leek', 'A', 0);
    const input = { beds: [bed('a')], crops: [two, other] };
    const bent = (...grid: string[]) =>
      judge(
        input,
        grid.map((c) => [c]),
      ).bent.filter((b) => b.cropId === 'bean');
    expect(bent('bean', 'leek', 'bean')).toMatchObject([{ rule: 'family', year: 2, after_y: 2 }]);
    expect(bent('bean', 'leek', 'leek', 'bean')).toEqual([]);
  });
  describe('rules of the gardener’s own', () => {
    const own = (kind: OwnRule['kind'], cropId: string, than: string, hard = true): OwnRule => ({
      kind,
      cropId,
      than,
      hard,
    });
    const broken = (rule: OwnRule, grid: string[][], cropNow?: string) =>
      judge({ ...four(), beds: [bed('a', { cropNow }), bed('b')], own: [rule] }, grid)
        .bent.filter((b) => b.own)
        .map((b) => `${b.rule} ${b.bedId} ${b.year}`);
    test('never on a bed, never after, only after: told with bed, year and rule; what nobody knows breaks none', () => {
      const grid = [
        ['carrot', 'tomato'],
        ['tomato', 'carrot'],
      ];
      expect(broken(own('not-on', 'tomato', 'b'), grid)).toEqual(['own-hard b 0']);
      expect(broken(own('not-after', 'tomato', 'carrot', false), grid)).toEqual(['own a 1']);
      expect(broken(own('not-after', 'carrot', 'bean'), grid, 'bean')).toEqual(['own-hard a 0']);
      expect(broken(own('only-after', 'carrot', 'bean'), grid)).toEqual(['own-hard b 1']);
      expect(broken(own('only-after', 'carrot', 'bean'), grid, 'bean')).toEqual(['own-hard b 1']);
      expect(
        broken(own('only-after', 'tomato', 'bean'), [
          ['rest', 'rest'],
          ['tomato', 'carrot'],
        ]),
      ).toEqual(['own-hard a 1']);
    });
    test('a plan keeps them, a hard one before all others', () => {
      const rules = [
        own('not-on', 'tomato', 'b1'),
        own('not-on', 'tomato', 'b2'),
        own('not-on', 'tomato', 'b3'),
      ];
      // Only the bed on which tomatoes stand this year is left for them.
      const plan = planRotation(four({ years: 2, own: rules }), 'fewest-bent');
      expect(single(plan.grid).map((r) => r[0])).toEqual(['tomato', 'tomato']);
      expect(plan.bent.some((b) => b.own)).toBe(false);
      const soft = rules.map((r) => ({ ...r, hard: false }));
      const bent = planRotation(four({ years: 2, own: soft }), 'fewest-bent').bent;
      expect(bent.some((b) => b.rule === 'own')).toBe(true);
      expect(bent.some((b) => b.rule === 'family-at-once')).toBe(false);
    });
  });
  test('a garden of one block has no plan by sections', () =>
    expect(planRotations(four()).map((p) => p.style)).toEqual(['fewest-bent', 'with-rest']));
});

describe('crops that live for years', () => {
  const berry = crop('strawberry', 'R', 3, { stays_y: 3 });
  const withBerry = (bedNow: number, stood_y: number, years = 3): RotationInput => ({
    beds: [0, 1, 2, 3].map((i) =>
      bed(`b${i}`, i === bedNow ? { cropNow: 'strawberry', stood_y } : { cropNow: FOUR[i]!.cropId }),
    ),
    ...bring([berry, ...FOUR.slice(1)]),
    years,
    seed: 3,
  });
  const where = (grid: readonly (readonly Turn[])[]) => single(grid).map((row) => row.indexOf('strawberry'));

  test('one that has stood a year stays its three, then goes to another bed, and neither is a rule bent', () => {
    const plan = planRotation(withBerry(0, 1, 4), 'fewest-bent');
    const beds = where(plan.grid);
    expect(beds.slice(0, 2)).toEqual([0, 0]);
    expect(beds[2]).not.toBe(0);
    expect(new Set(beds.slice(2)).size).toBe(1);
    expect(plan.bent.filter((b) => b.rule === 'moved' || b.rule === 'worn-out')).toEqual([]);
  });
  test('moved before its time is told, and so is one that stays too long; itself is no crop of its own family', () => {
    const input = withBerry(0, 1);
    const rows = (...beds: number[]) =>
      beds.map((at) => {
        const row = ['cabbage', 'bean', 'carrot'];
        row.splice(at, 0, 'strawberry');
        return row;
      });
    const rules = (grid: string[][]) =>
      judge(input, grid)
        .bent.filter((b) => b.cropId === 'strawberry')
        .map((b) => [b.rule, b.year, b.bedId]);
    expect(rules(rows(1, 1, 1))).toEqual([
      ['moved', 0, 'b1'],
      ['clean-first', 0, 'b1'],
    ]);
    expect(rules(rows(0, 0, 0))).toEqual([['worn-out', 2, 'b0']]);
    expect(rules(rows(0, 0, 2))).toEqual([['clean-first', 2, 'b2']]);
    // One that has stood two years bears one more.
    const older = judge(withBerry(0, 2), rows(0, 0)).bent.filter((b) => b.cropId === 'strawberry');
    expect(older.map((b) => [b.rule, b.year])).toEqual([['worn-out', 1]]);
  });
  test('after a year of rest it goes into clean ground; where nobody knows what stood, nothing is held against it', () => {
    const after = (before: string | undefined, first: string) =>
      judge({ beds: [bed('b0', { cropNow: before })], crops: [berry], own: [] }, [
        [first],
        ['strawberry'],
      ]).bent.map((b) => b.rule);
    expect(after('carrot', 'rest')).toEqual([]);
    expect(after('carrot', 'strawberry')).toEqual(['clean-first']);
    expect(after(undefined, 'strawberry')).toEqual([]);
  });
  test('one that was nowhere is planted for the first time without a word', () =>
    expect(
      judge({ beds: [bed('b0'), bed('b1')], crops: [berry, FOUR[3]!], own: [] }, [
        ['strawberry', 'carrot'],
        ['strawberry', 'carrot'],
      ]).bent.map((b) => b.rule),
    ).not.toContain('moved'));
});

describe('crops that follow each other in a year', () => {
  const pea = crop('pea', 'F', 2, { gives: true });
  const leek = crop('leek', 'L', 3, { hungry: true });
  const crops = [...FOUR, pea, leek];
  const told = (part: Partial<RotationBed>, ...turns: Turn[]) => {
    const { bent, fed } = judgeTurns(
      { beds: [bed('a', part)], crops },
      turns.map((t) => [t]),
    );
    return { bent: bent.map((b) => [b.rule, b.year, b.cropId]), fed };
  };
  test('are judged in their order: the second finds the first, the next year finds the last', () => {
    expect(told({}, ['pea', 'leek'], ['tomato'])).toEqual({ bent: [['hungry-twice', 1, 'tomato']], fed: 1 });
    expect(told({}, ['leek', 'pea'], ['tomato'])).toEqual({ bent: [], fed: 1 });
    expect(told({}, ['tomato', 'leek'])).toEqual({ bent: [['hungry-twice', 0, 'leek']], fed: 0 });
  });
  test('a family twice in one year is twice running, and counts for the years after it', () => {
    expect(told({}, ['bean', 'carrot', 'pea'])).toEqual({ bent: [['family-at-once', 0, 'pea']], fed: 0 });
    expect(told({}, ['carrot', 'bean'], ['carrot'], ['pea']).bent).toEqual([
      ['family-at-once', 1, 'carrot'],
      ['family', 2, 'pea'],
    ]);
  });
  test('keep together when they change places', () => {
    const input: RotationInput = {
      beds: [0, 1, 2, 3].map((i) => bed(`b${i}`)),
      turns: [['pea', 'leek'], ['tomato'], ['cabbage'], ['carrot']],
      crops,
      years: 3,
      seed: 2,
    };
    for (const { grid } of planRotations({
      ...input,
      beds: input.beds.map((b, i) => ({ ...b, block: i < 2 ? 'N' : 'S' })),
    }))
      for (const row of grid)
        for (const t of row)
          expect([[], ['pea', 'leek'], ['tomato'], ['cabbage'], ['carrot']]).toContainEqual([...t]);
    const rows = planRotation(input, 'fewest-bent').grid.map((row) => row.map((t) => t.join(' ')).sort());
    for (const row of rows) expect(row).toEqual(['cabbage', 'carrot', 'pea leek', 'tomato']);
  });
});

describe('what is planned already', () => {
  test('stays where it is in every plan, and the others share what is left', () => {
    const fixed: (Turn | null)[][] = [[null, ['tomato'], null, null], [null, null, null, ['melon']], []];
    for (const plan of planRotations(four({ years: 3, fixed }))) {
      expect(plan.grid[0]![1]).toEqual(['tomato']);
      expect(plan.grid[1]![3]).toEqual(['melon']);
    }
    const grid = single(planRotation(four({ years: 3, fixed }), 'fewest-bent').grid);
    expect([...grid[0]!].sort()).toEqual(['bean', 'cabbage', 'carrot', 'tomato']);
    // Melons are none of the turns: what stood on their bed this year has no place.
    expect([...grid[1]!].sort()).toEqual(['bean', 'cabbage', 'melon', 'tomato']);
    expect([...grid[2]!].sort()).toEqual(['bean', 'cabbage', 'carrot', 'tomato']);
  });
  test('a year that is planned on every bed has no rest put into it', () => {
    const all = FOUR.map((c): Turn => [c.cropId]);
    const plan = planRotation(four({ years: 2, fixed: [all] }), 'with-rest');
    expect(plan.grid[0]).toEqual(all);
    expect(single(plan.grid)[1]!.filter((c) => c === 'rest')).toHaveLength(1);
  });
});

describe('rules that the gardener weighs otherwise', () => {
  const grid = [
    ['cabbage', 'tomato'],
    ['tomato', 'cabbage'],
  ];
  const beds = [bed('a', { past: [{ family: 'B', yearsAgo: 0 }] }), bed('b', { shaded: true })];
  const rules = (forces: RotationInput['forces']) =>
    judge({ beds, crops: FOUR, forces }, grid).bent.map((b) => `${b.rule} ${b.bedId} ${b.year}`);
  test('one that is left out is not bent, and the others are as before', () => {
    const usual = rules(undefined);
    expect(usual).toEqual(['family-at-once a 0', 'shade b 0', 'hungry-twice a 1', 'hungry-twice b 1']);
    expect(rules({ 'hungry-twice': 'off' })).toEqual(usual.slice(0, 2));
    expect(rules({ shade: 'off', 'family-at-once': 'off' })).toEqual(usual.slice(2));
  });
  test('one that counts before all others stands first among what is bent, and is kept before they are', () => {
    expect(rules({ shade: 'hard' })[0]).toBe('shade b 0');
    // Two beds in shade and one in the sun: only there may tomatoes stand, whatever their family says.
    const dark = four({ years: 3, forces: { shade: 'hard' } });
    dark.beds = dark.beds.map((b, i) => ({ ...b, shaded: i !== 0 }));
    const at = (input: RotationInput) =>
      single(planRotation(input, 'fewest-bent').grid).map((r) => r.indexOf('tomato'));
    expect(at(dark)).toEqual([0, 0, 0]);
    expect(at({ ...dark, forces: {} })).not.toEqual([0, 0, 0]);
    expect(new Set(at({ ...dark, forces: { shade: 'off' } })).size).toBeGreaterThan(1);
  });
  test('what lives for years may be moved where nobody minds', () => {
    const berry = crop('strawberry', 'R', 0, { stays_y: 3 });
    const rows = [
      ['strawberry', 'carrot'],
      ['carrot', 'strawberry'],
    ];
    const told = (forces: RotationInput['forces']) =>
      judge(
        {
          beds: [bed('a', { cropNow: 'strawberry', stood_y: 1 }), bed('b')],
          crops: [berry, FOUR[3]!],
          forces,
        },
        rows,
      )
        .bent.map((b) => b.rule)
        .filter((r) => r === 'moved');
    expect([told(undefined), told({ moved: 'off' })]).toEqual([['moved'], []]);
  });
});

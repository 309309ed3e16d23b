import { expect, test } from '@jest/globals';
import { cropAfter } from './cropAfter.ts';

const crop = (id: string, bedId: string, plantedOn: string | null, clearOn: string, cropId = 'tomato') => ({
  ...{ id, bedId, cropId, plantedOn, clearOn },
  plantOn: plantedOn ?? '2027-05-20',
  clearedOn: plantedOn && clearOn,
});
const harvest = (bedId: string, on: string, kg: number) => ({
  bedId,
  on,
  moved: { what: 'harvest', kg } as const,
});
const area = (bedId: string) => ({ a: 10, b: 5 })[bedId];
const here = crop('here', 'a', '2026-05-20', '2026-09-30');
const plantings = [
  here,
  crop('last year', 'a', '2025-05-20', '2025-09-30'),
  crop('other bed', 'b', '2026-05-25', '2026-10-01'),
  crop('other crop', 'b', '2025-05-25', '2025-10-01', 'leek'),
  crop('after it', 'a', '2026-10-10', '2027-06-30', 'garlic'),
];
const brought = (...notes: ReturnType<typeof harvest>[]) => cropAfter(here, plantings, notes, area);

test('all that was weighed of a crop counts, from its planting until a while after it was cleared', () => {
  const notes = [
    harvest('a', '2026-05-19', 100),
    harvest('a', '2026-05-20', 1),
    harvest('a', '2026-08-01', 20),
    harvest('a', '2026-10-09', 4),
    harvest('b', '2026-08-01', 50),
  ];
  expect(brought(...notes)).toEqual({ kg_m2: 2.5, others: [10] });
  // What is weighed once the next crop stands is that one's.
  expect(brought(...notes, harvest('a', '2026-10-11', 100))!.kg_m2).toBe(2.5);
  const alone = cropAfter(
    here,
    [here],
    [...notes, harvest('a', '2026-10-30', 5), harvest('a', '2026-10-31', 100)],
    area,
  );
  expect(alone).toEqual({ kg_m2: 3, others: [] });
});

test('the same crop of other beds and years stands beside it, another crop does not', () => {
  const notes = [
    harvest('a', '2026-08-01', 20),
    harvest('a', '2025-08-01', 30),
    harvest('b', '2026-08-01', 5),
    harvest('b', '2025-08-01', 99),
  ];
  expect(brought(...notes)).toEqual({ kg_m2: 2, others: [3, 1] });
});

test('nothing weighed, a crop that is only planned and a bed without a size tell nothing', () => {
  expect(brought(harvest('a', '2027-08-01', 5))).toBeUndefined();
  expect(brought({ bedId: 'a', on: '2026-08-01', moved: { what: 'tops', kg: 5 } } as never)).toBeUndefined();
  const all = [harvest('c', '2026-08-01', 5), harvest('a', '2026-08-01', 5)];
  expect(cropAfter(crop('x', 'a', null, '2027-09-30'), plantings, all, area)).toBeUndefined();
  expect(cropAfter(crop('x', 'c', '2026-05-20', '2026-09-30'), plantings, all, area)).toBeUndefined();
});

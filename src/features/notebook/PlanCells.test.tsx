import { expect, jest, test } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { type PlanCover, type PlanSums } from '../../core/rotation/covers.ts';
import { METRIC } from '../../core/units/show.ts';
import { CoverCell, PlanSumsList } from './PlanCells.tsx';
import { type GapCell } from './usePlanCovers.ts';

const cover = (name: string, inTime: number): PlanCover =>
  ({
    fit: 0.4,
    sample: { id: name, name, parts: [{ speciesId: 'cereal-rye', share: 1 }], best: { odds: { inTime } } },
  }) as unknown as PlanCover;
const cell = (part: Partial<GapCell>, known?: object): GapCell => ({
  gap: { cropId: 'tomato', known } as GapCell['gap'],
  covers: [],
  cover: undefined,
  another: () => undefined,
  ...part,
});
const shown = (c: GapCell | undefined) => {
  const { container, unmount } = render(<CoverCell cell={c} bed="3" year={2028} />);
  const text = container.textContent;
  unmount();
  return text;
};

test('a gap without an answer, without anything that fits, without a gap, and one that has its cover already', () => {
  expect(shown(undefined)).toBe('');
  expect(shown(cell({ covers: undefined }))).toBe('…');
  expect(shown(cell({}))).toBe('nothing fits');
  const known = { parts: [{ speciesId: 'hairy-vetch', share: 1 }], called: '' };
  expect(shown(cell({}, known))).toBe('hairy vetch');
});

test('the cover stands with its odds and gives way to another at a tap, where there is one', async () => {
  const another = jest.fn();
  const [rye, oats] = [cover('Rye', 0.917), cover('Oats', 0.8)];
  const { rerender } = render(
    <CoverCell cell={cell({ covers: [rye, oats], cover: rye, another })} bed="3" year={2028} />,
  );
  const button = screen.getByRole('button', {
    name: 'Rye before tomato, bed 3, 2028, in time in 92 of 100; tap for another',
  });
  await userEvent.click(button);
  expect(another).toHaveBeenCalledTimes(1);
  rerender(<CoverCell cell={cell({ covers: [rye], cover: rye, another })} bed="3" year={2028} />);
  await userEvent.click(screen.getByRole('button', { name: /in time in 92 of 100$/ }));
  expect(another).toHaveBeenCalledTimes(1);
});

test('what covers come to: bare days, nitrogen by year, the busiest month, and what hangs in too many gaps', () => {
  const sums: PlanSums = {
    gaps: 10,
    bareDays: 66.6,
    emptyDays: 219.2,
    nitrogen: [
      { given_g: 308, wanted_g: 1770 },
      { given_g: 20, wanted_g: 900 },
    ],
    minutes: {
      plant: [0, 0, 0, 0, 120, 0, 0, 0, 0, 0, 0, 0],
      sow: [0, 0, 0, 0, 0, 0, 0, 0, 80, 0, 0, 0],
      end: [0, 0, 0, 40, 170, 0, 0, 0, 0, 0, 0, 0],
    },
    most: { name: 'Rye', times: 4 },
  };
  const { container, rerender } = render(
    <PlanSumsList sums={sums} waiting={0} first={2028} units={METRIC} />,
  );
  expect(screen.getByRole('heading', { name: '67 bare days a bed and year' })).toBeTruthy();
  expect(container.textContent).toMatch(/instead of 219 were the 10 gaps left open\./);
  expect(container.textContent).toMatch(/2028: covers leave 308 g of the 1,770 g that crops take/);
  expect(container.textContent).toMatch(/2029: covers leave 20 g of the 900 g/);
  expect(container.textContent).toMatch(/Most in May: 2 h 25 min in a usual year, by hand\./);
  expect(container.textContent).toMatch(
    /crops put in 60 min a year.*covers sown 40 min a year.*covers ended 105 min a year/,
  );
  expect(container.textContent).toMatch(/Rye hangs in 4 of 10 gaps/);
  // Three of ten are no monotony.
  rerender(
    <PlanSumsList
      sums={{ ...sums, most: { name: 'Rye', times: 3 } }}
      waiting={0}
      first={2028}
      units={METRIC}
    />,
  );
  expect(container.textContent).not.toMatch(/Rye hangs/);
  // While gaps are worked out they would count as bare: no sum is told.
  rerender(<PlanSumsList sums={sums} waiting={3} first={2028} units={METRIC} />);
  expect(container.textContent).toBe('Working out covers: 7 of 10 gaps.');
});

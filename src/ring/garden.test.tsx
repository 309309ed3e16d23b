import { afterEach, expect, jest, test } from '@jest/globals';
import { act, screen } from '@testing-library/react';
import { fail } from '../core/result/result.ts';
import { demoGarden, renderInGarden } from './renderInGarden.tsx';
import { realToday, useGarden } from './garden.tsx';

const kept = demoGarden();
const live = { ...kept, garden: { ...kept.garden, seasonClock: null } };
afterEach(() => void jest.restoreAllMocks());

function Today() {
  const { today, run } = useGarden();
  return (
    <button type="button" onClick={() => void run(Promise.resolve(fail('cover-gone')))}>
      today is {today}
    </button>
  );
}

test('the day turns at midnight on a screen that stays open, and on one that slept over it', async () => {
  const at = (day: number, hour: number, minute: number) => new Date(2027, 4, day, hour, minute).getTime();
  const clock = jest.spyOn(Date, 'now').mockReturnValue(at(13, 23, 59));
  // `new Date()` goes by the real clock: the hook is given one that goes by the spied.
  const Real = Date;
  class Clock extends Real {
    constructor(...args: unknown[]) {
      if (args.length === 0) super(Real.now());
      else super(...(args as [number]));
    }
  }
  globalThis.Date = Clock as DateConstructor;
  try {
    expect(realToday()).toBe('2027-05-13');
    await renderInGarden(<Today />, { kept: live });
    expect(screen.getByText('today is 2027-05-13')).not.toBeNull();
    clock.mockReturnValue(at(14, 0, 1));
    act(() => void document.dispatchEvent(new Event('visibilitychange')));
    expect(screen.getByText('today is 2027-05-14')).not.toBeNull();
  } finally {
    globalThis.Date = Real;
  }
});

test('a pretended date of the garden outranks the day', async () => {
  await renderInGarden(<Today />, { kept });
  expect(screen.getByText(`today is ${kept.garden.seasonClock}`)).not.toBeNull();
});

test('what fails is told', async () => {
  const { user, failures } = await renderInGarden(<Today />, { kept });
  await user.click(screen.getByRole('button'));
  expect(failures.map((f) => f.code)).toEqual(['cover-gone']);
});

import { expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import { dayOf } from '../../core/calendar/day.ts';
import { type WaterThrough } from '../../core/watering/through.ts';
import { useGarden } from '../../ring/garden.tsx';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { WaterNext } from './WaterNext.tsx';

const kept = demoGarden();
const cover = kept.covers.find((c) => c.sownOn && c.verdict === null)!;
const bed = kept.beds.find((b) => b.id === cover.bedId)!;
const TODAY = '2027-04-13';
const at = (low: string, mid: string, high: string) => ({
  low: dayOf(low),
  mid: dayOf(mid),
  high: dayOf(high),
});
const waters = (part: Partial<WaterThrough> = {}): WaterThrough => ({
  next: at('2027-04-20', '2027-04-24', '2027-05-02'),
  times: { low: 2, mid: 4, high: 6 },
  mm: 15,
  ...part,
});

function Shown({ w }: { w: WaterThrough }) {
  const { covers } = useGarden();
  return <WaterNext cover={covers.find((c) => c.id === cover.id)!} bed={bed} waters={w} />;
}
const heading = () => screen.getByRole('heading').textContent;

test('the next watering is told with its day, litres and how often; today’s is written down once it is given', async () => {
  const first = await renderInGarden(<Shown w={waters()} />, { kept });
  expect(heading()).toBe('Water next about 24 Apr: 15 mm');
  const section = screen.getByRole('region', { name: 'Water through dry weeks' });
  expect(section.textContent).toMatch(/\d+ litres/);
  expect(section.textContent).toContain('In most years 20 Apr to 2 May.');
  expect(section.textContent).toContain('Some 4 times until it is ended, 60 mm and');
  first.unmount();
  const { user, db } = await renderInGarden(
    <Shown w={waters({ next: at('2027-04-10', TODAY, '2027-04-15'), times: { low: 1, mid: 1, high: 2 } })} />,
    { kept },
  );
  expect(heading()).toBe('Water today: 15 mm');
  expect(screen.getByRole('region').textContent).not.toContain('times until');
  await user.click(screen.getByRole('button', { name: 'Log 15 mm watered today' }));
  await waitFor(async () =>
    expect((await db.covers.get(cover.id))!.waterings.at(-1)).toEqual({ on: TODAY, mm: 15 }),
  );
});

test('where rain is likely to do nobody is told a day', async () => {
  const never = { low: Infinity, mid: Infinity, high: Infinity };
  await renderInGarden(<Shown w={waters({ next: never, times: { low: 0, mid: 0, high: 1 } })} />, { kept });
  expect(heading()).toBe('Rain is likely to do: look when leaves hang');
  expect(screen.getByRole('region').textContent).not.toContain('litres');
});

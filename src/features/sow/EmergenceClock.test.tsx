import { expect, test } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import { type StandAnswer } from '../../core/plan/answers.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { type SowToday } from '../../core/sowing/today.ts';
import { membersOf, usualWay } from '../../catalogue/catalogue.ts';
import { viableRate_g_m2 } from '../../core/seed/rate.ts';
import { liveShare, USUAL_SEED } from '../../core/seed/weight.ts';
import { showMass } from '../../core/units/show.ts';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { EmergenceClock, Patch } from './EmergenceClock.tsx';

const spread = (low: string, high: string) => ({ low: dayOf(low), mid: dayOf(low) + 2, high: dayOf(high) });
const stage = (speciesId: string, low: string, high: string) =>
  ({ speciesId, up: spread(low, high) }) as StandAnswer['stages'][number];
const stages = [
  stage('cereal-rye', '2027-09-16', '2027-09-22'),
  stage('hairy-vetch', '2027-09-20', '2027-10-02'),
];
const said = (today: string, seenUp?: string) => {
  const { unmount } = render(<EmergenceClock stages={stages} today={today} seenUp={seenUp} />);
  const words = screen
    .getAllByRole('listitem')
    .map((li) => li.querySelector('span > span:last-child')!.textContent);
  unmount();
  return words;
};

test('a kind is waited for until its first day, looked for until five days after its last, and only then called late', () => {
  const [soon, now, late] = [
    'Nothing to see before 16 Sep.',
    'Look for it now. Kinds come at different times: this is no failure yet.',
    'It should be up. If it is not, log a look, then patch.',
  ];
  expect(said('2027-09-15')).toEqual([soon, 'Nothing to see before 20 Sep.']);
  expect(said('2027-09-16')).toEqual([now, 'Nothing to see before 20 Sep.']);
  expect(said('2027-09-27')).toEqual([now, now]);
  expect(said('2027-09-28')).toEqual([late, now]);
  expect(said('2027-10-08')).toEqual([late, late]);
});

test('what was seen up is up, whatever its days', () => {
  expect(said('2027-10-20', '2027-09-18')).toEqual(['Up, seen 18 Sep.', 'Up, seen 18 Sep.']);
});

test('thin patches take so many grams for the bare ground, until the last day that pays; more than the bed is said', async () => {
  const kept = demoGarden();
  const cover = { ...kept.covers.find((c) => c.sownOn)!, parts: [{ speciesId: 'cereal-rye', share: 1 }] };
  const bed = kept.beds.find((b) => b.id === cover.bedId)!;
  const answer = { soil_c: 14, frostOdds: 0.1, worksUntil: dayOf('2027-10-10') } as SowToday;
  const { user } = await renderInGarden(<Patch cover={cover} bed={bed} answer={answer} />, { kept });
  const field = await screen.findByLabelText('Bare ground, square metres');
  await user.type(field, '2,5');
  const [rate] = viableRate_g_m2(membersOf(cover.parts), usualWay.rateFactor);
  const grams = showMass((rate! * 2.5) / liveShare(USUAL_SEED), kept.garden.units);
  expect((await screen.findByText(/^Scratch in/)).textContent).toBe(
    `Scratch in ${grams} cereal rye; worth it until 10 Oct.`,
  );
  expect(screen.getByText(/^Quicker here now:/)).toBeTruthy();
  await user.clear(field);
  await user.type(field, String(bed.area_m2 + 1));
  expect(screen.getByText(/^The bed has/)).toBeTruthy();
  expect(screen.queryByText(/^Scratch in/)).toBeNull();
});

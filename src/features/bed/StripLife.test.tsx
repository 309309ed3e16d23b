import { expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import { type LastingUse } from '../../core/strips/life.ts';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { useGarden } from '../../ring/garden.tsx';
import { type Bed } from '../../records/types.ts';
import { StripLife } from './StripLife.tsx';
import { lifeOf } from './WhatItIs.tsx';

const base = demoGarden();
const whole = base.beds.find((b) => b.name === '3')!;
const piece = (use: LastingUse, share: [number, number]): Bed => ({
  ...whole,
  id: use,
  name: `3 ${use}`,
  width_m: 0.4,
  area_m2: 3.2,
  piece: { of: whole.id, from: '2026-09-01', until: null, side: 'along', share, use },
});
const kept = {
  ...base,
  covers: [],
  plantings: [],
  looks: [],
  notes: [],
  beds: [whole, piece('path', [0, 1 / 3]), piece('film', [1 / 3, 2 / 3]), piece('kept', [2 / 3, 1])],
};
function OnStrip({ use }: { use: LastingUse }) {
  const bed = useGarden().beds.find((b) => b.id === use);
  return bed ? <StripLife bed={bed} use={use} /> : null;
}

const said = { what: 'x', since: '2026-09-01', years: '', low: '6', across: '', apart: '' };
test.each([
  ['path', { low: '5,5', years: '4' }, { what: 'x', since: '2026-09-01', years: 4, low_cm: 5.5 }],
  ['path', { low: '60' }, /between 1 and 30 cm/],
  ['path', { years: 'some' }, /Years are a number/],
  ['kept', { what: ' ' }, /Say which plant/],
  ['kept', { what: ' rhubarb ' }, { what: 'rhubarb', since: '2026-09-01', years: null }],
  ['film', {}, { what: 'x', since: '2026-09-01', years: null }],
  [
    'film',
    { across: '10', apart: '40' },
    { what: 'x', since: '2026-09-01', years: null, holes: { across_cm: 10, apart_cm: 40 } },
  ],
  ['film', { across: '40', apart: '10' }, /the distance the larger/],
  ['film', { across: '10' }, /the distance the larger/],
] as const)('%s, said %j', (use, part, want) => {
  const got = lifeOf({ ...said, ...part }, use);
  if (want instanceof RegExp) expect(got).toMatch(want);
  else expect(got).toEqual(want);
});

test('a path is said to be of clover, says when it is mown and why, and keeps what was done to it', async () => {
  const { user, db } = await renderInGarden(<OnStrip use="path" />, { kept });
  await screen.findByText('Say what it is, and Kilim says what it wants');
  // 1.5 g on each of 3.2 m².
  expect(screen.getByText('Seed for it: 4.8 g')).toBeTruthy();
  await user.clear(screen.getByLabelText('Mown down to, cm'));
  await user.type(screen.getByLabelText('Mown down to, cm'), '90');
  await user.click(screen.getByRole('button', { name: 'Keep this' }));
  expect((await screen.findByRole('alert')).textContent).toMatch(/between 1 and 30/);
  expect((await db.beds.get('path'))!.life).toBeUndefined();
  await user.clear(screen.getByLabelText('Mown down to, cm'));
  await user.type(screen.getByLabelText('Mown down to, cm'), '7');
  await user.click(screen.getByRole('button', { name: 'Keep this' }));
  await screen.findByText(/^Mow it (now|about \d+ (Apr|May))\.$/);
  expect(screen.getByText(/it is mown at 20 cm, so that you walk on it/)).toBeTruthy();
  expect((await db.beds.get('path'))!.life).toEqual({
    what: 'white-clover',
    since: '2026-09-01',
    years: null,
    low_cm: 7,
    done: [],
  });
  await user.type(await screen.findByLabelText('Minutes it took'), '6');
  await user.click(screen.getByRole('button', { name: 'Mown today' }));
  const done = await screen.findByRole('list', { name: 'Done to it' });
  expect(done.textContent).toMatch(/Mown 13 Apr 2027, 6 min/);
  // Cut down today, it is weeks until it is due again.
  await screen.findByText(/^Mow it about \d+ (May|Jun)\.$/);
  await user.click(within(done).getByRole('button', { name: 'Take away: Mown 13 Apr 2027' }));
  await waitFor(() => expect(screen.queryByRole('list', { name: 'Done to it' })).toBeNull());
});

test('clippings are carried onto the bed beside, as much as the path has grown, and that is told with the mowing', async () => {
  const life = {
    what: 'grass',
    since: '2025-09-01',
    years: null,
    low_cm: 6,
    done: [{ kind: 'mow' as const, on: '2027-03-20' }],
  };
  const beds = kept.beds.map((b) => (b.id === 'path' ? { ...b, life } : b));
  const { user, db } = await renderInGarden(<OnStrip use="path" />, { kept: { ...kept, beds } });
  const said = await screen.findByText(/^Mown today, about .* of clippings come off/);
  const list = screen.getByRole('list', { name: 'Done to it' });
  expect(list.textContent).toMatch(/Mown 20 Mar 2027, \d+ cm high: .*dry left to lie/);
  expect(screen.queryByLabelText('Weighed fresh, kg')).toBeNull();
  await user.selectOptions(screen.getByLabelText('Clippings'), 'Onto 3 kept');
  const kg = /about ([\d.]+) kg of/.exec(said.textContent)![1];
  expect(screen.getByText(`else about ${kg} kg`)).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Mown today' }));
  await screen.findByText(`Mown 13 Apr 2027: ${kg} kg onto 3 kept`);
  await user.selectOptions(screen.getByLabelText('Clippings'), 'Carried off the beds');
  await user.type(screen.getByLabelText('Weighed fresh, kg'), '2,5');
  await user.click(screen.getByRole('button', { name: 'Mown today' }));
  await screen.findByText('Mown 13 Apr 2027: 2.5 kg carried off');
  expect((await db.beds.get('path'))!.life!.done).toEqual([
    { kind: 'mow', on: '2027-03-20' },
    { kind: 'mow', on: '2027-04-13', took_kg: 2.5 },
  ]);
  // To look it over takes nothing off, wherever clippings go.
  await user.click(await screen.findByRole('button', { name: 'Looked over and mended today' }));
  await waitFor(async () => expect((await db.beds.get('path'))!.life!.done).toHaveLength(3));
  expect((await db.beds.get('path'))!.life!.done[2]).toEqual({ kind: 'mend', on: '2027-04-13' });
});

test('film says its age, when it is looked over and when it must be lifted; lifted, the ground is a bed', async () => {
  const life = { what: 'woven', since: '2024-09-01', years: 10, done: [] };
  const beds = kept.beds.map((b) => (b.id === 'film' ? { ...b, life } : b));
  const { user, db } = await renderInGarden(<OnStrip use="film" />, { kept: { ...kept, beds } });
  await screen.findByRole('heading', { name: 'Woven sheet' });
  expect(screen.getByText('since 1 Sep 2024, in its year 3 of 10')).toBeTruthy();
  expect(screen.getByText('Lift it before it breaks up: on 1 Sep 2034')).toBeTruthy();
  expect(screen.getByText(/^In the 3 years before, no cover stood here by the record\./).textContent).toMatch(
    /once film lies/,
  );
  // It is this piece since September: the first spring after that.
  expect(screen.getByText('Look it over for tears: since 1 Apr 2027').className).toMatch(/madder/);
  await user.click(await screen.findByRole('button', { name: 'Looked over and mended today' }));
  await screen.findByText('Look it over for tears: on 1 Apr 2028');
  await user.click(screen.getByText('Lift it'));
  await user.click(screen.getByRole('button', { name: 'Lifted: a bed from then on' }));
  await screen.findByText(/It ended, or is to end, on 1 Sep/);
  const after = (await db.beds.toArray()).find((b) => b.name === '3 film2')!;
  expect(after.piece).toMatchObject({ from: '2034-09-01', use: 'bed', of: whole.id });
});

test('a path that is a bed again says when it ended and asks for nothing more', async () => {
  const life = { what: 'white-clover', since: '2025-04-01', years: null, low_cm: 6, done: [] };
  const beds = kept.beds.map((b) =>
    b.id === 'path' ? { ...b, life, piece: { ...b.piece!, until: '2027-04-13' } } : b,
  );
  await renderInGarden(<OnStrip use="path" />, { kept: { ...kept, beds } });
  await screen.findByText('It ended, or is to end, on 13 Apr.');
  expect(screen.getByText('since 1 Apr 2025, in its year 3')).toBeTruthy();
  expect(screen.queryByText(/^Mow it|how it grows/)).toBeNull();
  expect(screen.queryByRole('button', { name: 'Mown today' })).toBeNull();
});

test('a plant that stays is trimmed and strawed every year', async () => {
  const { user, db } = await renderInGarden(<OnStrip use="kept" />, { kept });
  await user.type(await screen.findByLabelText('Plant'), 'Rhubarb');
  await user.type(screen.getByLabelText('Meant to stay, years'), '8');
  await user.click(screen.getByRole('button', { name: 'Keep this' }));
  await screen.findByRole('heading', { name: 'Rhubarb' });
  expect(screen.getByText('Straw on: on 1 Nov 2027')).toBeTruthy();
  expect(screen.getByText('Trim it: on 15 Feb 2028')).toBeTruthy();
  expect(
    screen.getByText('Plant it anew, on ground that has not carried its kin for some years: on 1 Sep 2034'),
  ).toBeTruthy();
  expect(await db.beds.get('kept')).toMatchObject({ life: { what: 'Rhubarb', years: 8 } });
});

test('film on ground that lay a year under clover says that it was rested, whichever piece of it the clover stood on', async () => {
  const life = { what: 'woven', since: '2027-03-01', years: 10, done: [] };
  const beds = kept.beds.map((b) => (b.id === 'film' ? { ...b, life } : b));
  const ley = {
    ...base.covers[0]!,
    bedId: whole.id,
    nextPlantingId: null,
    parts: [{ speciesId: 'red-clover', share: 1 }],
    sownOn: '2025-12-01',
    passes: [{ ...base.covers[0]!.passes[0]!, due: '2027-02-01', doneOn: '2027-02-01' }],
  };
  await renderInGarden(<OnStrip use="film" />, { kept: { ...kept, beds, covers: [ley] } });
  expect((await screen.findByText(/^In the 3 years before/)).textContent).toMatch(
    /covers stood here for 14 months, with legumes for 14 months by the record\. That is rest enough/,
  );
});

import { expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import BedPage from './BedPage.tsx';

const base = demoGarden();
const bed = base.beds.find((b) => b.name === '6')!;
const cover = base.covers.find((c) => c.bedId === bed.id && c.sownOn && c.verdict === null)!;
const at = { path: `/bed/${bed.id}`, pattern: '/bed/:bedId' };
/** The bed as a strip that is left to ripen. */
const strip = {
  ...base,
  covers: base.covers.map((c) =>
    c.id === cover.id
      ? { ...c, method: 'let-seed', passes: [{ kind: 'check-seed', due: '2027-09-01', doneOn: null }] }
      : c,
  ),
  beds: base.beds.map((b) =>
    b.id === bed.id
      ? {
          ...b,
          piece: {
            of: base.beds[0]!.id,
            from: '2027-04-01',
            until: null,
            side: 'along' as const,
            share: [0, 1] as [number, number],
            use: 'seed' as const,
          },
        }
      : b,
  ),
};

test('a strip for seed says when each kind is cut and how much may come; what was won is a lot on the shelf and a note on the bed', async () => {
  const { user, db } = await renderInGarden(<BedPage />, { kept: strip, ...at });
  const own = await screen.findByRole('region', { name: 'Own seed' });
  await within(own).findAllByText(
    /^Cut it between \d+ (Jun|Jul|Aug) and \d+ (Jun|Jul|Aug), on a dry morning/,
  );
  expect(own.textContent).toMatch(/crosses freely with others of its kind within 200 m/);
  // The day that comes out goes into the plan, and is no more offered once it stands there.
  const offers = () => within(own).getAllByRole('button', { name: /^Plan the cut for / });
  await user.click(offers()[0]!);
  await waitFor(() => expect(offers()).toHaveLength(1));
  const [check] = (await db.covers.get(cover.id))!.passes;
  expect([check!.kind, check!.due < '2027-08-15', check!.due > '2027-06-15']).toEqual([
    'check-seed',
    true,
    true,
  ]);
  const lots = await db.lots.count();
  const field = within(own).getByLabelText('Clean seed of cereal rye won');
  await user.type(field, 'a handful{Enter}');
  expect(await db.lots.count()).toBe(lots);
  await user.clear(field);
  await user.type(field, '1/4 lb{Enter}');
  await waitFor(async () => expect(await db.lots.count()).toBe(lots + 1));
  const won = (await db.lots.toArray()).find((l) => l.label === 'own, bed 6')!;
  expect([won.speciesId, won.year, won.free, won.treated, Math.round(won.left_g)]).toEqual([
    'cereal-rye',
    2027,
    true,
    false,
    113,
  ]);
  expect((await db.notes.toArray()).some((n) => n.bedId === bed.id && /cereal rye: 113 g/.test(n.text))).toBe(
    true,
  );
  await waitFor(() => expect((field as HTMLInputElement).value).toBe(''));
});

test('seed that fell on a bed is expected there for its time, and what became of it is written down', async () => {
  const ended = { ...cover, verdict: 'dead' as const, endedOn: '2027-03-20' };
  const look = base.looks.find((l) => l.coverId === cover.id)!;
  const kept = {
    ...base,
    garden: { ...base.garden, units: { ...base.garden.units, temperature: 'fahrenheit' as const } },
    covers: base.covers.map((c) => (c.id === cover.id ? ended : c)),
    looks: [...base.looks, { ...look, id: 'ripe', on: '2027-03-18', stage: 'seed' as const, members: [] }],
  };
  const { user, db } = await renderInGarden(<BedPage />, { kept, ...at });
  const comes = await screen.findByRole('region', { name: 'What may come by itself' });
  expect(
    within(comes)
      .getAllByRole('listitem')
      .map((li) => li.querySelector('b')!.textContent),
  ).toEqual(['Cereal rye', 'Winter field pea']);
  expect(comes.textContent).toMatch(
    /Cereal rye in patches: seed lay here from 20 Mar\. It comes with rain once the ground has 34 °F or more/,
  );
  await user.click(within(comes).getAllByRole('button', { name: 'Hoed off' })[0]!);
  await waitFor(async () =>
    expect((await db.notes.toArray()).some((n) => n.text === 'Self-sown cereal rye: hoed off.')).toBe(true),
  );
});

import { expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import { datedPasses } from '../../core/plan/passes.ts';
import { shareOut } from '../../core/share/share.ts';
import { type ShareAnswer } from '../../core/share/types.ts';
import { methodsHere } from '../../questions/methods.ts';
import { plantBackDay } from '../../questions/cover.ts';
import { shareInput } from '../../questions/share.ts';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { showDay } from '../../ui/dates.ts';
import SharedPage from './SharedPage.tsx';

const demo = demoGarden();
const today = demo.garden.seasonClock!;
/** One sheet, and two beds that lie under it in the same weeks. */
const sheet = demo.garden.things.find((t) => t.of === 'opaque-sheet')!;
const stands = demo.covers.filter((c) => c.sownOn && c.verdict === null && c.passes.every((p) => !p.doneOn));
const under = (k: number, laid: string, lifted: string) => ({
  ...stands[k]!,
  method: 'sheet',
  thingIds: [sheet.id],
  passes: [
    { kind: 'flatten', due: laid, doneOn: null },
    { kind: 'lay-sheet', due: laid, doneOn: null },
    { kind: 'lift-sheet', due: lifted, doneOn: null },
  ],
});
const kept = {
  ...demo,
  garden: { ...demo.garden, things: [{ ...sheet, width_m: 4, length_m: 40 } as typeof sheet] },
  covers: [under(0, '2027-04-28', '2027-05-20'), under(1, '2027-05-03', '2027-05-24')],
  looks: [],
};
const bedOf = (coverId: string) =>
  kept.beds.find((b) => b.id === kept.covers.find((c) => c.id === coverId)!.bedId)!;
function settled(): ShareAnswer {
  const parts = shareOut(shareInput(kept, today));
  for (;;) {
    const { value, done } = parts.next();
    if (done) return value;
  }
}

test('a clash is told with its odds and its ways round as the core has them; the first is taken into the plans as one deed', async () => {
  const answer = settled();
  expect(answer.clashes).toHaveLength(1);
  const [{ clash, proposals }] = answer.clashes as [ShareAnswer['clashes'][0]];
  const { user, db } = await renderInGarden(<SharedPage />, { kept });
  expect(await screen.findByText('One clash')).toBeTruthy();
  const [wants, holder] = [bedOf(clash.wants).name, bedOf(clash.holder).name];
  const told = screen.getByRole('region', { name: `Clash, bed ${wants}` });
  expect(told.textContent).toContain(
    `Bed ${wants} wants the ${sheet.name.toLowerCase()} on ${showDay(clash.day)}; bed ${holder} has it then in ${Math.round(clash.odds * 100)} years of 100.`,
  );
  await waitFor(() => expect(within(told).getAllByRole('button')).toHaveLength(proposals.length));
  expect(proposals.length).toBeGreaterThan(1);
  expect(
    within(told)
      .getAllByRole('button')
      .map((b) => /ready in time: (\d+)/.exec(b.textContent!)?.[1]),
  ).toEqual(proposals.map((p) => String(Math.round(p.allReady * 100))));
  const first = proposals[0]!;
  await user.click(within(told).getAllByRole('button')[0]!);
  const [change] = first.changes;
  const bed = bedOf(change!.coverId);
  const before = kept.covers.find((c) => c.id === change!.coverId)!;
  const method = methodsHere(kept.garden, bed).find((m) => m.id === change!.method)!;
  const passes = datedPasses(
    method.passes.map((p, i) => ({ ...p, after_d: change!.after_d[i] ?? p.after_d })),
    change!.ending,
    plantBackDay(before, kept.plantings) + change!.plantBy_d,
  );
  await waitFor(async () =>
    expect((await db.covers.get(before.id))!.passes.map((p) => [p.kind, p.due])).toEqual(
      passes.map((p) => [p.kind, p.due]),
    ),
  );
  expect((await db.covers.get(before.id))!.formerPlans.at(-1)).toMatchObject({ until: today, why: 'shared' });
  expect(await db.log.count()).toBe(1);
  for (const c of kept.covers.filter((x) => !first.changes.some((y) => y.coverId === x.id)))
    expect(await db.covers.get(c.id)).toEqual(c);
});

test('without things there is nothing to share, and it says where they are named', async () => {
  const bare = { ...kept, garden: { ...kept.garden, things: [] } };
  await renderInGarden(<SharedPage />, { kept: bare });
  expect(await screen.findByText('Nothing to share yet')).toBeTruthy();
  expect(screen.getByRole('link', { name: 'Ground' }).getAttribute('href')).toBe('/ground');
});

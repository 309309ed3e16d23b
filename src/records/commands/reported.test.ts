import { expect, test } from '@jest/globals';
import { demoKept, inStore } from '../testStore.ts';
import { type Reported } from '../types.ts';
import { type Hands } from '../verbs/verbs.ts';
import { undo } from '../write.ts';
import { keepReported, removeReported } from './reported.ts';

const base = demoKept();
const { id } = base.garden;
let hands: Hands;
inStore(base, (h) => {
  hands = h;
});

const told = (title: string, speciesId = 'cereal-rye'): Reported => ({
  title,
  latitude_deg: 45,
  covers: [
    {
      parts: [{ speciesId, share: 1 }],
      sownOn: '2025-09-12',
      method: 'cut',
      deadOn: '2026-05-30',
      foretold: null,
    },
  ],
});
const keep = (what: Reported) => keepReported(hands, id, what, '2027-04-13');
const kept = async () =>
  ((await hands.db.gardens.get(id))!.reported ?? []).map((r) => [r.title, r.readOn, r.id]);

test('a season of another garden is kept once; another of its name, or the same covers under another name, beside it', async () => {
  expect((await keep(told('Hillside 2026'))).ok).toBe(true);
  expect(await keep(told('Hillside 2026'))).toMatchObject({ ok: false, failure: { code: 'story-twice' } });
  expect((await keep(told('Hillside 2026', 'hairy-vetch'))).ok).toBe(true);
  expect((await keep(told('Valley 2026'))).ok).toBe(true);
  expect((await kept()).map(([title, on]) => [title, on])).toEqual([
    ['Hillside 2026', '2027-04-13'],
    ['Hillside 2026', '2027-04-13'],
    ['Valley 2026', '2027-04-13'],
  ]);
});

test('put away, the others stay; one undo brings it back; of a garden that is gone it is said', async () => {
  await keep(told('Hillside 2026'));
  await keep(told('Valley 2026'));
  const [[, , hillside]] = (await kept()) as [string[]];
  await removeReported(hands, id, hillside!);
  expect((await kept()).map(([title]) => title)).toEqual(['Valley 2026']);
  await undo(hands.db, id);
  expect((await kept()).map(([title]) => title)).toEqual(['Hillside 2026', 'Valley 2026']);
  const gone = { ok: false, failure: { code: 'garden-gone' } };
  expect(await keepReported(hands, 'nowhere', told('x'), '2027-04-13')).toMatchObject(gone);
  expect(await removeReported(hands, 'nowhere', 'x')).toMatchObject(gone);
});

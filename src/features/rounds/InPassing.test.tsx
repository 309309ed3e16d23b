import { describe, expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { type Question, type QuestionKind } from '../../core/rounds/question.ts';
import { lookSchema } from '../../records/types.ts';
import { useGarden } from '../../ring/garden.tsx';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { CardBody } from './cards.tsx';
import { InPassing } from './InPassing.tsx';
import { lookFrom, type Pick } from './pick.ts';

const kept = demoGarden();
const cover = kept.covers.find((c) => c.sownOn && c.endedOn === null && c.parts.length === 1)!;
const bed = kept.beds.find((b) => b.id === cover.bedId)!;
const question = (kind: QuestionKind): Question => ({
  kind,
  minutes: 2,
  why: { is: 'regular', last: undefined },
});
const Means = ({ kind, pick }: { kind: QuestionKind; pick: Pick }) => (
  <InPassing
    cover={useGarden().covers.find((c) => c.id === cover.id)!}
    pick={pick}
    question={question(kind)}
  />
);
let last: Pick = {};
function Card({ kind }: { kind: QuestionKind }) {
  const [pick, setPick] = useState<Pick>({});
  last = pick;
  return (
    <CardBody
      question={question(kind)}
      cover={cover}
      pick={pick}
      set={setPick}
      keepPicture={() => undefined}
    />
  );
}
const looked = (kind: QuestionKind) => lookFrom(question(kind), last, cover, 'l', '2027-05-10');

describe('cards', () => {
  test('a spadeful is a look once all four things of it were tapped, and not before', async () => {
    const { user } = await renderInGarden(<Card kind="soil" />, { kept });
    for (const words of ['A spade', '6 to 10', 'Crumbs']) {
      await user.click(screen.getByRole('button', { name: words }));
      expect(looked('soil')).toBeNull();
    }
    await user.click(screen.getByRole('button', { name: 'Sweet, of woods' }));
    expect(looked('soil')!.soil).toEqual({ depth_cm: 30, worms: 8, crumb: 'crumbs', smell: 'sweet' });
    expect(lookSchema.safeParse(looked('soil')).success).toBe(true);
  });
  test('a frame is counted by taps or typing, and never below nothing', async () => {
    const { user } = await renderInGarden(<Card kind="frame" />, { kept });
    expect(looked('frame')).toBeNull();
    await user.click(screen.getByRole('button', { name: '-10' }));
    expect(looked('frame')!.members[0]!.count).toEqual({ plants: 0, area_m2: 0.25 });
    await user.click(screen.getByRole('button', { name: '+10' }));
    await user.click(screen.getByRole('button', { name: '+1' }));
    expect(last.plants).toBe(11);
    const typed = screen.getByRole('textbox');
    await user.clear(typed);
    await user.type(typed, '47');
    expect(looked('frame')!.members[0]).toMatchObject({
      speciesId: cover.parts[0]!.speciesId,
      count: { plants: 47, area_m2: 0.25 },
    });
  });
  test('nothing that eats is an answer; what was tapped twice is none', async () => {
    const { user } = await renderInGarden(<Card kind="pests" />, { kept });
    expect(looked('pests')).toBeNull();
    await user.click(screen.getByRole('button', { name: 'Nothing that eats' }));
    expect(looked('pests')).toMatchObject({ about: 'pests', pests: [] });
    await user.click(screen.getByRole('button', { name: 'Slugs' }));
    await user.click(screen.getByRole('button', { name: 'Aphids' }));
    await user.click(screen.getByRole('button', { name: 'Slugs' }));
    expect(looked('pests')!.pests).toEqual(['aphids']);
  });
  test('of many weeds one can say which; of few nobody is asked', async () => {
    const { user } = await renderInGarden(<Card kind="weeds" />, { kept });
    await user.click(screen.getByRole('button', { name: 'None or a few' }));
    expect(screen.queryByText(/Which are they/)).toBeNull();
    await user.click(screen.getByRole('button', { name: /^Many/ }));
    await user.click(screen.getByRole('button', { name: 'Creeping from roots' }));
    expect(looked('weeds')).toMatchObject({ weeds: 'many', weedKinds: ['creeping'] });
  });
});

describe('what it means', () => {
  test('slugs can be marked on the bed in one tap, and Choose then knows of them', async () => {
    const clean = {
      ...kept,
      beds: kept.beds.map((b) => (b.id === bed.id ? { ...b, troubles: [] } : b)),
    };
    const { user, db } = await renderInGarden(<Means kind="pests" pick={{ pests: ['slugs', 'aphids'] }} />, {
      kept: clean,
    });
    await user.click(screen.getByRole('button', { name: `Mark bed ${bed.name} for slugs` }));
    await waitFor(async () => expect((await db.beds.get(bed.id))!.troubles).toEqual(['slugs']));
    await waitFor(() => expect(screen.queryByRole('button')).toBeNull());
  });
  test('a second spadeful stands beside the first', async () => {
    const soil = { depth_cm: 30, worms: 8, crumb: 'crumbs' as const, smell: 'sweet' as const };
    const look = (id: string, on: string, worms: number) => ({
      ...lookFrom(question('soil'), { soil: { ...soil, worms } }, cover, id, on)!,
    });
    await renderInGarden(<Means kind="soil" pick={{ soil }} />, {
      kept: { ...kept, looks: [look('old', '2026-04-10', 3), look('new', '2027-04-12', 15)] },
    });
    expect(screen.getByText(/^Now: soil easy to 30 cm, 15 worms/)).not.toBeNull();
    expect(screen.getByText(/^10 Apr 2026: soil easy to 30 cm, 3 worms/)).not.toBeNull();
  });
  test.each([
    ['edges', { edges: 'many' as const }, /again in ten days/],
    ['edges', { edges: 'none' as const }, /^Clean all round/],
    ['gaps', { gaps: 'some' as const }, /Close the gaps/],
    ['washed', { washed: 'none' as const }, /comes up where it fell/],
  ] as const)('%s %j', async (kind, pick, words) => {
    await renderInGarden(<Means kind={kind} pick={pick} />, { kept });
    expect(screen.getByText(words)).not.toBeNull();
  });
  test('seed that was washed away leads to sowing again', async () => {
    await renderInGarden(<Means kind="washed" pick={{ washed: 'many' }} />, { kept });
    expect(screen.getByRole('link').getAttribute('href')).toBe(`/cover/${cover.id}/sow`);
  });
});

import { expect, jest, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import { useMemo, useState } from 'react';
import { dayOf } from '../core/calendar/day.ts';
import { gapEnsemble, sampleFor } from '../core/choose/choose.ts';
import { type ChooseInput } from '../core/choose/input.ts';
import { type Sample } from '../core/choose/sample.ts';
import { gapQuestion } from '../questions/gap.ts';
import { useGarden } from './garden.tsx';
import { renderInGarden } from './renderInGarden.tsx';
import { useSamples } from './useSamples.ts';

const YEARS = 40;
const AIMS = [{ id: 'feed', strands: 3 }];
let asked: ChooseInput;
let got: Sample | undefined;

/** Forty kinds in a gap over winter, and the years behind each. */
function Gap() {
  const { garden, beds } = useGarden();
  const [aims, setAims] = useState(AIMS);
  const question = useMemo(() => {
    const all = gapQuestion(
      { garden, bed: beds[0]!, plantings: [], covers: [], recipes: [], lots: [] },
      {
        wayId: 'raked',
        freeDay: dayOf('2027-09-05'),
        plantDay: dayOf('2028-05-14'),
        nextId: 'tomato',
        nextWay: 'transplant',
        before: '',
        aims,
        years: YEARS,
      },
    );
    const single = all.candidates.filter((c) => c.members.length === 1 && !c.first);
    return { ...all, candidates: single.slice(0, 40) };
  }, [garden, beds, aims]);
  asked = question;
  const { samples, progress, settled } = useSamples(question);
  const done = progress === null && samples.length > 0;
  const [id, setId] = useState('');
  const few = samples.find((s) => s.years < YEARS)?.id;
  if (done && few && !id) setId(few);
  const last = samples.find((s) => s.id === id);
  return (
    <>
      <p data-testid="state">{done ? 'done' : 'asking'}</p>
      <p data-testid="years">{last?.years}</p>
      <button type="button" onClick={() => last && void settled(last).then((s) => (got = s))}>
        Look at it
      </button>
      <button type="button" onClick={() => setAims([{ id: 'hold', strands: 3 }])}>
        Other aims
      </button>
    </>
  );
}

const text = (id: string) => screen.getByTestId(id).textContent;

test('who comes back to a gap finds it as it was left, with nothing worked out anew', async () => {
  const first = await renderInGarden(<Gap />);
  await waitFor(() => expect(text('state')).toBe('done'));
  first.unmount();
  const heard = jest.spyOn(globalThis.Worker.prototype, 'postMessage');
  await renderInGarden(<Gap />, { again: true });
  await waitFor(() => expect(text('state')).toBe('done'));
  expect(heard).not.toHaveBeenCalled();
  heard.mockRestore();
});

test('what nobody asked for is told from few years; asked for by name, from all of them, and again for other aims', async () => {
  const { user } = await renderInGarden(<Gap />);
  await waitFor(() => expect(text('state')).toBe('done'));
  await waitFor(() => expect(text('years')).toBe('10'));
  await user.click(screen.getByRole('button', { name: 'Look at it' }));
  await waitFor(() => expect(text('years')).toBe(String(YEARS)));
  const alone = { ...asked, candidates: asked.candidates.filter((c) => c.id === got!.id) };
  const [whole] = [
    sampleFor(alone.candidates[0]!, alone, gapEnsemble(alone), new Map(), { hint: { sowDay: got!.sowDay } }),
  ];
  expect(got!.best).toEqual(whole!.best);
  expect(got!.stand).toEqual(whole!.stand);
  const before = got;
  await user.click(screen.getByRole('button', { name: 'Other aims' }));
  await waitFor(() => expect(text('state')).toBe('done'));
  await user.click(screen.getByRole('button', { name: 'Look at it' }));
  await waitFor(() => expect(got).not.toBe(before));
  expect([got!.id, got!.years]).toEqual([before!.id, YEARS]);
});

import { expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import { useGarden } from '../../ring/garden.tsx';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { siteFromNormals } from '../../core/climate/normals.ts';
import { places } from '../../catalogue/places.ts';
import { GapAndAims } from './GapAndAims.tsx';
import { GapFields } from './GapFields.tsx';
import { useGapForm } from './useGapForm.ts';

/** The fields of a bed's gap, and what would be asked of the core. */
function Gap({ bedId }: { bedId: string }) {
  const { beds } = useGarden();
  const form = useGapForm(beds.find((b) => b.id === bedId)!);
  const { question } = form;
  return (
    <>
      <GapFields form={form} />
      <p data-testid="asked">
        {question ? `${question.gap.next.id} ${question.gap.plantDay - question.gap.freeDay}` : 'nothing'}
      </p>
      <p data-testid="aims">{form.aims.map((a) => `${a.id} ${a.strands}`).join(', ')}</p>
      {form.changed && (
        <button type="button" onClick={form.forget}>
          As planned
        </button>
      )}
      <button type="button" onClick={() => form.setAims([{ id: 'flowers', strands: 3 }])}>
        Bees
      </button>
    </>
  );
}
const gap = <Gap bedId="north-shore-bed-8" />;
const asked = () => screen.getByTestId('asked').textContent;
const next = () => screen.getByLabelText('What comes next') as HTMLSelectElement;

test('what was said of a gap is there again after the page was left, for this gap alone, until it is taken back', async () => {
  const first = await renderInGarden(gap);
  await waitFor(() => expect(asked()).not.toBe('nothing'));
  const planned = [asked(), next().value, screen.getByTestId('aims').textContent];
  expect(screen.queryByRole('button', { name: 'As planned' })).toBeNull();
  await first.user.selectOptions(next(), 'leek');
  await first.user.click(screen.getByRole('button', { name: 'Bees' }));
  await waitFor(() => expect(asked()).toMatch(/^leek /));
  first.unmount();

  const again = await renderInGarden(gap, { again: true });
  await waitFor(() => expect(asked()).toMatch(/^leek /));
  expect([next().value, screen.getByTestId('aims').textContent]).toEqual(['leek', 'flowers 3']);
  again.unmount();

  const other = await renderInGarden(<Gap bedId="north-shore-bed-11" />, { again: true });
  await waitFor(() => expect(asked()).not.toBe('nothing'));
  expect(screen.queryByRole('button', { name: 'As planned' })).toBeNull();
  other.unmount();

  const { user, db } = await renderInGarden(gap, { again: true });
  await user.click(await screen.findByRole('button', { name: 'As planned' }));
  await waitFor(() =>
    expect([asked(), next().value, screen.getByTestId('aims').textContent]).toEqual(planned),
  );
  await waitFor(async () => expect(await db.drafts.count()).toBe(0));
});

test('nothing is asked of the core before it is known what was said: no answer to a question nobody put', async () => {
  const { user, unmount } = await renderInGarden(gap);
  await waitFor(() => expect(asked()).not.toBe('nothing'));
  await user.selectOptions(next(), 'leek');
  await waitFor(() => expect(asked()).toMatch(/^leek /));
  unmount();
  await renderInGarden(gap, { again: true });
  const heard: string[] = [];
  await waitFor(() => {
    heard.push(asked()!);
    expect(asked()).toMatch(/^leek /);
  });
  expect(heard.filter((h) => h !== 'nothing' && !h.startsWith('leek'))).toEqual([]);
});

test('a piece of a bed comes after what stood on the whole bed, and not before it was cut', async () => {
  const base = demoGarden();
  const whole = base.beds.find((b) => b.name === '9')!;
  const piece = {
    ...whole,
    id: 'piece',
    name: '9a',
    piece: {
      of: whole.id,
      from: '2027-08-01',
      until: null,
      side: 'along' as const,
      share: [0, 0.5] as [number, number],
      use: 'bed' as const,
    },
  };
  const last = [...base.plantings]
    .filter((p) => p.bedId === whole.id && p.clearOn < '2027-08-01')
    .sort((a, b) => b.clearOn.localeCompare(a.clearOn))[0]!;
  const kept = {
    ...base,
    beds: [...base.beds, piece],
    plantings: base.plantings.filter((p) => p.bedId !== whole.id || p.clearOn < '2027-08-01'),
    covers: base.covers.filter((c) => c.bedId !== whole.id),
  };
  await renderInGarden(<Gap bedId="piece" />, { kept });
  const before = (await screen.findByLabelText('What leaves')) as HTMLSelectElement;
  expect(before.value).toBe(last.cropId);
  expect((screen.getByLabelText('Ground free on') as HTMLInputElement).value).toBe('1 Aug 2027');
});

test('where rain leaves a gap dry and there is a hose, covers are watered through it until the gardener says not', async () => {
  window.matchMedia ??= (() => ({
    matches: true,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
  })) as never;
  const fit = siteFromNormals(places.find((p) => p.name === 'Phoenix')!);
  if (!fit.ok) throw new Error(fit.failure.code);
  const base = demoGarden();
  const Asked = () => {
    const { beds } = useGarden();
    const form = useGapForm(beds.find((b) => b.id === 'north-shore-bed-8')!);
    const { question } = form;
    return (
      <>
        {question && (
          <GapAndAims form={form} freeDay={question.gap.freeDay} plantDay={question.gap.plantDay} />
        )}
        <p data-testid="asked">{question ? `irrigated ${question.irrigated}` : 'nothing'}</p>
      </>
    );
  };
  const dry = { ...base, garden: { ...base.garden, site: fit.value } };
  const first = await renderInGarden(<Asked />, { kept: dry });
  await waitFor(() => expect(asked()).toBe('irrigated true'));
  const box = () => screen.getByRole('checkbox', { name: /Watered through dry weeks/ });
  expect(
    screen.getByText(/Rain usually brings \d+ mm over this gap, and a closed cover drinks up to \d+ mm/),
  ).toBeTruthy();
  await first.user.click(box());
  await waitFor(() => expect(asked()).toBe('irrigated false'));
  first.unmount();
  const again = await renderInGarden(<Asked />, { again: true, kept: dry });
  await waitFor(() => expect(asked()).toBe('irrigated false'));
  again.unmount();

  const noHose = { ...dry.garden, kit: dry.garden.kit.filter((k) => k !== 'hose') };
  await renderInGarden(<Asked />, { kept: { ...dry, garden: noHose } });
  await waitFor(() => expect(asked()).toBe('irrigated false'));
  expect(screen.queryByRole('checkbox', { name: /Watered through/ })).toBeNull();
});

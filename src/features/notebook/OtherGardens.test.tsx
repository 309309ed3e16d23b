import { expect, test } from '@jest/globals';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { storyOf, storyPage } from '../../ring/story.ts';
import { gardenYears } from '../../core/years/years.ts';
import CoverPage from '../covers/CoverPage.tsx';
import { OtherGardens } from './OtherGardens.tsx';

const other = demoGarden('two-gums');
const year = gardenYears('2026-01-01', '2027-06-01', true)[0]!;
const told = storyOf(other, { year, bedId: null, named: true, notes: false });
const page = storyPage(told);
const give = async (text: string) =>
  fireEvent.change(await screen.findByLabelText('Read a season that was saved as a page'), {
    target: { files: [new File([text], 'season.html', { type: 'text/html' })] },
  });

test('a season of another garden is kept apart, marked as such, shown beside its kinds, once, and put away again', async () => {
  const { user, db, failures, unmount } = await renderInGarden(<OtherGardens />);
  const id = demoGarden().garden.id;
  const covers = await db.covers.count();
  await give(page);
  const article = await screen.findByRole('article', { name: told.title });
  expect(article.textContent).toMatch(/another garden, about \d+° south, read 13 Apr 2027/);
  expect(within(article).getAllByRole('listitem')).toHaveLength(told.results!.covers.length);
  await give(page);
  await waitFor(() => expect(failures.map((f) => f.code)).toEqual(['story-twice']));
  await give('<html>a page</html>');
  await waitFor(() => expect(failures.at(-1)!.code).toBe('story-none'));
  expect([await db.covers.count(), (await db.gardens.get(id))!.reported!.length]).toEqual([covers, 1]);
  unmount();

  const kind = told.results!.covers[0]!.parts[0]!.speciesId;
  const shown = await renderInGarden(<CoverPage />, {
    again: true,
    path: `/covers/${kind}`,
    pattern: '/covers/:id',
  });
  const beside = await screen.findByRole('region', { name: 'Reported by other gardens' });
  expect(beside.textContent).toContain(told.title);
  shown.unmount();

  await renderInGarden(<OtherGardens />, { again: true });
  await user.click(await screen.findByRole('button', { name: 'Put away' }));
  await waitFor(async () => expect((await db.gardens.get(id))!.reported).toEqual([]));
});

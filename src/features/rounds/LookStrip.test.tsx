import { expect, jest, test } from '@jest/globals';
import { screen, within } from '@testing-library/react';
import type { Look } from '../../records/types.ts';
import { hands } from '../../ring/garden.tsx';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { LookStrip } from './LookStrip.tsx';

const kept = demoGarden();
const cover = kept.covers.find((c) => c.id === 'north-shore-cover-1-2026-09')!;
const mine = kept.looks.filter((l) => l.bedId === cover.bedId).sort((a, b) => b.on.localeCompare(a.on));

test('all looks at this bed and at no other, the newest first; one is taken away by its own button', async () => {
  const takeAway = jest.fn<(l: Look) => void>();
  const { user } = await renderInGarden(<LookStrip bedId={cover.bedId} cover={cover} takeAway={takeAway} />, {
    kept,
  });
  const tiles = await screen.findAllByRole('listitem');
  expect(tiles).toHaveLength(mine.length);
  expect(mine.length).toBeLessThan(kept.looks.length);
  const days = tiles.map((t) => Date.parse(within(t).getByText(/^\d+ \w{3} 20\d\d$/).textContent!));
  expect(days).toEqual([...days].sort((a, b) => b - a));
  await user.click(within(tiles[1]!).getByRole('button', { name: /^Take away the look of/ }));
  expect(takeAway.mock.calls.map(([l]) => l.id)).toEqual([mine[1]!.id]);
});
test('a look that was read from a picture shows its own picture and no other does', async () => {
  await renderInGarden(<LookStrip bedId={cover.bedId} cover={cover} takeAway={() => undefined} />, { kept });
  await screen.findAllByRole('listitem');
  await hands.db.pictures.put({
    id: mine[0]!.id,
    gardenId: kept.garden.id,
    coverId: cover.id,
    on: mine[0]!.on,
    jpeg: 'data:image/jpeg;base64,AAAA',
  });
  const image = await screen.findByRole('img', { name: /^From above on/ });
  expect(screen.getAllByRole('listitem')[0]!.contains(image)).toBe(true);
  expect(screen.getAllByRole('img')).toHaveLength(1);
});

import { expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { useGarden } from '../../ring/garden.tsx';
import { sizesOf } from './CutForm.tsx';
import { Pieces } from './Pieces.tsx';

const base = demoGarden();
const id = base.beds.find((b) => b.name === '3')!.id;
function OnBed() {
  return <Pieces bed={useGarden().beds.find((b) => b.id === id)!} />;
}

test.each([
  [['', ''], 1.2, [0.6, 0.6]],
  [['30 cm', '', ''], 1.2, [0.3, 0.45, 0.45]],
  [['0.4', '0.8'], 1.2, [0.4, 0.8]],
  [['0.4', '0.7'], 1.2, undefined],
  [['1.2', ''], 1.2, undefined],
  [['-1', ''], 1.2, undefined],
  [['some', ''], 1.2, undefined],
])('sizes %j of %d m', (typed, whole, want) => {
  const got = sizesOf(typed, whole, 'm');
  if (!want) expect(got).toBeUndefined();
  else want.forEach((w, i) => expect(got![i]).toBeCloseTo(w, 9));
});

test('a bed is cut as it was said, the form outlives the page, and it becomes whole only when nothing is on its pieces', async () => {
  const before = await renderInGarden(<OnBed />);
  await before.user.click(await screen.findByText('Cut it into pieces'));
  await before.user.selectOptions(screen.getByLabelText('Cut'), 'along');
  await before.user.selectOptions(screen.getByLabelText('Pieces'), '3');
  await before.user.selectOptions(screen.getByLabelText('Piece 2 is'), 'path');
  await before.user.type(screen.getAllByLabelText('It takes of 1.2 m')[1]!, '1.2 m');
  expect((await screen.findByRole('alert')).textContent).toMatch(/do not make up the 1\.2 m/);
  await before.user.clear(screen.getAllByLabelText('It takes of 1.2 m')[1]!);
  await before.user.type(screen.getAllByLabelText('It takes of 1.2 m')[1]!, '30 cm');
  await before.user.clear(screen.getByLabelText('Name of piece 1'));
  await before.user.type(screen.getByLabelText('Name of piece 1'), 'fence side');
  await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
  before.unmount();

  const { user, db, failures } = await renderInGarden(<OnBed />, { again: true });
  await user.click(await screen.findByText('Cut it into pieces'));
  await waitFor(() =>
    expect((screen.getByLabelText('Name of piece 1') as HTMLInputElement).value).toBe('fence side'),
  );
  await user.click(screen.getByRole('button', { name: 'Cut bed 3 into 3' }));
  const pieces = await screen.findByRole('region', { name: 'Pieces' });
  await waitFor(() =>
    expect(
      within(pieces)
        .getAllByRole('listitem')
        .map((li) => li.textContent),
    ).toEqual([
      'fence side45 cm × 8 m, 3.6 m²sown and planted',
      '3b30 cm × 8 m, 2.4 m²living path',
      '3c45 cm × 8 m, 3.6 m²sown and planted',
    ]),
  );
  await user.click(within(pieces).getByRole('button', { name: 'Make bed 3 whole' }));
  await waitFor(() =>
    expect(failures.map((f) => [f.code, f.where])).toEqual([['piece-in-use', 'fence side']]),
  );
  expect(await db.beds.filter((b) => b.piece?.of === id && b.piece.until === null).count()).toBe(3);
});

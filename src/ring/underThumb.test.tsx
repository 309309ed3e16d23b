import { expect, test } from '@jest/globals';
import { act, screen, waitFor } from '@testing-library/react';
import { changeBed } from '../records/commands/change.ts';
import { useAnswer } from './answers.ts';
import { useGarden } from './garden.tsx';
import { demoGarden, renderInGarden } from './renderInGarden.tsx';

const kept = demoGarden();
const press = (type: string) => act(() => void window.dispatchEvent(new Event(type)));
/** Long enough for anything that does not wait. */
const aWhile = () => act(() => new Promise((resolve) => setTimeout(resolve, 350)));

function Shown() {
  const { beds, garden, hands, run } = useGarden();
  const { answer } = useAnswer('frosts', JSON.stringify({ ...garden.site, coldestNight_c: -7 }));
  const bed = beds[0]!;
  return (
    <>
      <p data-testid="note">{bed.note}</p>
      <p data-testid="answer">{answer ? 'there' : 'awaited'}</p>
      <button type="button" onClick={() => void run(changeBed(hands, bed, () => ({ note: 'wet corner' })))}>
        Note it
      </button>
    </>
  );
}

test('while something is pressed neither an answer nor a record moves what is on the screen; let go, both show', async () => {
  const { user } = await renderInGarden(<Shown />, { kept });
  press('pointerdown');
  // The core answers while the hand still rests.
  await aWhile();
  const held = screen.getByTestId('answer').textContent;
  press('pointerup');
  await waitFor(() => expect(screen.getByTestId('answer').textContent).toBe('there'));
  expect(held).toBe('awaited');

  await user.click(screen.getByRole('button', { name: 'Note it' }));
  press('pointerdown');
  await aWhile();
  const note = screen.getByTestId('note').textContent;
  press('pointerup');
  await waitFor(() => expect(screen.getByTestId('note').textContent).toBe('wet corner'));
  expect(note).not.toBe('wet corner');
});

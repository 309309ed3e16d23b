import { expect, jest, test } from '@jest/globals';
import { waitFor } from '@testing-library/react';
import { type ToWorker } from '../workers/core/protocol.ts';
import { renderInGarden } from './renderInGarden.tsx';
import { useForeseen } from './useForeseen.ts';

function Cloth() {
  useForeseen();
  return null;
}

test('while nobody asks for anything the gap that opens first is worked out, dealt out to both workers', async () => {
  // Nothing is worked out: what is asked is enough to tell.
  (await renderInGarden(<p />)).unmount();
  const heard: ToWorker[] = [];
  const post = jest
    .spyOn(globalThis.Worker.prototype, 'postMessage')
    .mockImplementation((m: unknown) => void heard.push(m as ToWorker));
  const seen = await renderInGarden(<Cloth />, { again: true });
  const asked = () => heard.flatMap((m) => (m.type === 'ask' && m.kind === 'choose' ? [m.input] : []));
  await waitFor(() => expect(asked()).toHaveLength(2));
  const [one, two] = asked();
  expect(one!.gap).toEqual(two!.gap);
  expect(one!.candidates.length + two!.candidates.length).toBeGreaterThan(80);
  seen.unmount();
  post.mockRestore();
});

import { afterEach, expect, jest, test } from '@jest/globals';
import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Viewfinder } from './Viewfinder.tsx';

const stop = jest.fn<() => void>();
const camera = (answer: () => Promise<unknown>) =>
  Object.defineProperty(navigator, 'mediaDevices', {
    configurable: true,
    value: { getUserMedia: jest.fn(answer) },
  });
const opened = () => Promise.resolve({ getTracks: () => [{ stop }] });
HTMLVideoElement.prototype.play = () => Promise.resolve();
const image = { width: 4, height: 3 };
Object.assign(globalThis, { createImageBitmap: () => Promise.resolve(image) });

afterEach(() => {
  stop.mockClear();
});

test('the last look lies over what the camera sees, and can be lifted off; a picture is taken, and the camera let go', async () => {
  camera(opened);
  const take = jest.fn();
  const close = jest.fn();
  const { unmount } = render(<Viewfinder ghost="data:image/jpeg;base64,AA" take={take} close={close} />);
  const shutter = screen.getByRole('button', { name: 'Take the picture' });
  // Before the camera is open there is nothing to take.
  expect(shutter).toHaveProperty('disabled', true);
  expect(screen.getByAltText('The last look, laid over it')).toBeTruthy();
  await waitFor(() => expect(shutter).toHaveProperty('disabled', false));
  await userEvent.click(screen.getByLabelText(/^The last look over it/));
  expect(screen.queryByAltText('The last look, laid over it')).toBeNull();
  await userEvent.click(shutter);
  await waitFor(() => expect(take).toHaveBeenCalledWith(image));
  await userEvent.click(screen.getByRole('button', { name: 'Close' }));
  expect(close).toHaveBeenCalledTimes(1);
  unmount();
  expect(stop).toHaveBeenCalledTimes(1);
});

test('a browser that lets no camera in is named, with what to do instead', async () => {
  camera(() => Promise.reject(new Error('NotAllowedError')));
  render(<Viewfinder ghost={null} take={() => undefined} close={() => undefined} />);
  expect((await screen.findByRole('alert')).textContent).toMatch(/lets no camera in.*from a file/);
  expect(screen.getByRole('button', { name: 'Take the picture' })).toHaveProperty('disabled', true);
});

import { beforeEach, expect, jest, test } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { watchLook } from '../../ui/theme.ts';
import { LookOfApp } from './LookOfApp.tsx';

let darkDevice = false;
const heard: (() => void)[] = [];
Object.defineProperty(window, 'matchMedia', {
  value: jest.fn(() => ({
    get matches() {
      return darkDevice;
    },
    addEventListener: (_: string, f: () => void) => heard.push(f),
  })),
});
const theme = () => document.documentElement.dataset.theme;
beforeEach(() => {
  localStorage.clear();
  darkDevice = false;
});

test('by day until something else is chosen, whatever the device has; what is chosen shows at once and is kept', async () => {
  darkDevice = true;
  watchLook();
  expect(theme()).toBe('kilim');
  const { unmount } = render(<LookOfApp />);
  await userEvent.click(screen.getByLabelText(/^By night/));
  expect(theme()).toBe('kilim-night');
  unmount();
  render(<LookOfApp />);
  expect(screen.getByLabelText<HTMLInputElement>(/^By night/).checked).toBe(true);
  await userEvent.click(screen.getByLabelText(/^By day/));
  expect(theme()).toBe('kilim');
});
test('as the device has it follows the device', async () => {
  watchLook();
  render(<LookOfApp />);
  await userEvent.click(screen.getByLabelText(/^As this device/));
  expect(theme()).toBe('kilim');
  darkDevice = true;
  for (const f of heard) f();
  expect(theme()).toBe('kilim-night');
});
test('it is printed by day, and is as it was afterwards', async () => {
  watchLook();
  render(<LookOfApp />);
  await userEvent.click(screen.getByLabelText(/^By night/));
  window.dispatchEvent(new Event('beforeprint'));
  expect(theme()).toBe('kilim');
  window.dispatchEvent(new Event('afterprint'));
  expect(theme()).toBe('kilim-night');
});

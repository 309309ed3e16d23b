import { registerSW } from 'virtual:pwa-register';
import { newerReady, store } from './store.ts';

/** Text that is being typed here: a newer version waits until it is away. */
let typing = false;

/**
 * Looks for newer versions. One that is ready waits for a tap, or for a moment in which nobody looks and nothing is half typed; open text is never taken away
 * by it.
 */
export function watchVersions(): void {
  document.addEventListener('input', () => (typing = true), true);
  document.addEventListener('submit', () => (typing = false), true);
  // What was half typed on a screen that was left is saved there or gone.
  window.addEventListener('popstate', () => (typing = false));
  document.addEventListener('click', (e) => {
    if ((e.target as Element | null)?.closest?.('a[href]')) typing = false;
  });
  const take = registerSW({
    immediate: true,
    onNeedRefresh: () => {
      store.dispatch(newerReady());
      document.addEventListener('visibilitychange', () => {
        if (document.hidden && !typing) void take(true);
      });
    },
  });
  takeNewer = () => void take(true);
}

/** Takes the newer version now: the page comes anew. */
export let takeNewer = (): void => window.location.reload();

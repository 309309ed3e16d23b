import { readFileSync } from 'node:fs';
import { type Page } from 'playwright-core';
import { closeBrowser, openStage } from '../e2e/browser.ts';

/**
 * How long the Cloth of the demo garden takes to be on the screen, in the real browser against the served build: on the very first visit
 * (nothing cached, no garden yet), and on a later one (service worker and garden there); and how long Choose takes, opened by its address and
 * by a tap on the cloth's bed. Times are the page's own, from the start of the visit or the tap to the frame that shows it.
 */
const ROUNDS = 5;
const first: number[] = [];
const later: number[] = [];
const firstSample: number[] = [];
const wholeGap: number[] = [];
const tapped: number[] = [];
const tappedGap: number[] = [];
/** What the first visit puts away and works out is over by then, ms. */
const QUIET_MS = 6000;
/** What a screen asks of the workers is mostly answered by then, ms. */
const SHORT_MS = 1500;
/** A bed of the demo garden with an open gap. */
const BED = (
  JSON.parse(readFileSync(new URL('../demo/north-shore.kilim.json', import.meta.url), 'utf8')) as {
    beds: { id: string; name: string }[];
  }
).beds.find((b) => b.name === '8')!.id;
/** Every screen, of a cover that stands and of one to come. */
const SCREENS = [
  '/ground',
  `/bed/${BED}`,
  '/cover/north-shore-cover-10-2027-04/seed',
  '/cover/north-shore-cover-10-2027-04/sow',
  '/cover/north-shore-cover-1-2026-09/look',
  '/cover/north-shore-cover-1-2026-09/terminate',
  '/cover/north-shore-cover-1-2026-09/plant',
  '/bench',
  '/yard',
  '/notebook',
  '/notebook/came',
  '/notebook/years',
  '/sow-day',
  '/rounds',
  '/shared',
  '/covers',
  '/covers/cereal-rye',
  '/keep',
];
const screens = new Map<string, number[]>(SCREENS.map((path) => [path, []]));
const CLOTH = 'svg[aria-label^="Cloth of 14 beds"]';
const MAIN = '#main';
const SAMPLE = 'button[aria-label^="Pin "]';

/** Notes in every page when each selector was first on the screen; as text, since it runs there and not here. */
const watch = (selectors: string[]): string => `
  window.seen = {};
  new MutationObserver(() => {
    for (const s of ${JSON.stringify(selectors)})
      if (!(s in seen) && document.querySelector(s)) {
        seen[s] = 0;
        requestAnimationFrame(() => setTimeout(() => (seen[s] = performance.now())));
      }
  }).observe(document, { childList: true, subtree: true, attributes: true });`;

async function seenAt(page: Page, selector: string): Promise<number> {
  for (let tries = 0; tries < 600; tries++) {
    const at = await page
      .evaluate((s) => (window as unknown as { seen?: Record<string, number> }).seen?.[s], selector)
      .catch(() => 0);
    if (at) return at;
    await page.waitForTimeout(100);
  }
  throw new Error(`${selector} was never shown`);
}
const done = (page: Page) =>
  page
    .getByText('covers done')
    .waitFor({ state: 'detached', timeout: 60_000 })
    .then(() => page.evaluate(() => performance.now()));

for (let i = 0; i < ROUNDS; i++) {
  const stage = await openStage(undefined, { offline: true });
  const { page, base } = stage;
  await page.addInitScript({ content: watch([CLOTH, MAIN, SAMPLE]) });
  await page.goto(`${base}/open-demo/north-shore`, { waitUntil: 'commit' });
  first.push(await seenAt(page, CLOTH));
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.waitForTimeout(QUIET_MS);
  await page.goto(base, { waitUntil: 'commit' });
  later.push(await seenAt(page, CLOTH));
  await page.waitForTimeout(QUIET_MS);
  await page.goto(`${base}/bed/${BED}/choose`, { waitUntil: 'commit' });
  firstSample.push(await seenAt(page, SAMPLE));
  wholeGap.push(await done(page));
  // Back on the cloth, as most come to Choose: its workers run already.
  await page.goto(base, { waitUntil: 'commit' });
  await seenAt(page, CLOTH);
  await page.waitForTimeout(QUIET_MS);
  const from = await page.evaluate((path) => {
    const at = performance.now();
    history.pushState({}, '', path);
    dispatchEvent(new PopStateEvent('popstate', { state: {} }));
    return at;
  }, `/bed/${BED}/choose`);
  tapped.push((await seenAt(page, SAMPLE)) - from);
  tappedGap.push((await done(page)) - from);
  for (const [path, times] of screens) {
    await page.goto(`${base}${path}`, { waitUntil: 'commit' });
    times.push(await seenAt(page, MAIN));
    await page.waitForTimeout(SHORT_MS);
  }
  await stage.close();
}
await closeBrowser();

const show = (name: string, ms: number[]) => {
  const sorted = [...ms].sort((a, b) => a - b);
  console.log(
    `${name}: median ${sorted[ROUNDS >> 1]!.toFixed(0)} ms, worst ${sorted.at(-1)!.toFixed(0)} ms of ${ROUNDS}`,
  );
};
show('Cloth, very first visit', first);
show('Cloth, later visit', later);
show('Choose, opened by its address, to the first sample on the screen', firstSample);
show('Choose, opened by its address, to the whole gap ranked', wholeGap);
show('Choose, opened from the cloth, to the first sample on the screen', tapped);
show('Choose, opened from the cloth, to the whole gap ranked', tappedGap);
for (const [path, times] of [...screens].sort((a, b) => Math.max(...b[1]) - Math.max(...a[1])).slice(0, 6))
  show(`Screen ${path}, by its address`, times);

import { readFileSync } from 'node:fs';
import { closeBrowser, openStage } from '../e2e/browser.ts';

/**
 * How long the Cloth of the demo garden takes to be usable, in the real browser against the served build: on the very first
 * visit (nothing cached, no garden yet), and on a later one (service worker and garden there).
 */
const ROUNDS = 5;
const first: number[] = [];
const later: number[] = [];
const firstSample: number[] = [];
const wholeGap: number[] = [];
/** A bed of the demo garden with an open gap. */
const BED = (
  JSON.parse(readFileSync(new URL('../demo/north-shore.kilim.json', import.meta.url), 'utf8')) as {
    beds: { id: string; name: string }[];
  }
).beds.find((b) => b.name === '8')!.id;

for (let i = 0; i < ROUNDS; i++) {
  const stage = await openStage(undefined, { offline: true });
  const { page, base } = stage;
  const usable = () => page.getByRole('img', { name: /Cloth of 14 beds/ }).waitFor();
  let from = performance.now();
  await page.goto(`${base}/open-demo/north-shore`);
  await usable();
  first.push(performance.now() - from);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.waitForTimeout(1500);
  from = performance.now();
  await page.goto(base);
  await usable();
  later.push(performance.now() - from);
  from = performance.now();
  await page.goto(`${base}/bed/${BED}/choose`);
  await page.getByRole('button', { name: /^Pin / }).first().waitFor();
  firstSample.push(performance.now() - from);
  await page.getByText('covers done').waitFor({ state: 'detached', timeout: 60_000 });
  wholeGap.push(performance.now() - from);
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
show('Choose, page opened to first sample on screen', firstSample);
show('Choose, page opened to the whole gap ranked', wholeGap);

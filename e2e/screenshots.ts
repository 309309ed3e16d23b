import { chromium, type Page } from 'playwright-core';
import { mkdirSync } from 'node:fs';
import { CHROMIUM, setDay } from './browser.ts';

/** Takes the pictures of docs/screenshots from the demo garden. `npm run shots` with the demo server running. */
const base = process.env.BASE ?? 'http://localhost:4173';
const out = process.env.OUT ?? 'docs/screenshots';
const only = process.argv.slice(2);
mkdirSync(out, { recursive: true });
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
});
const context = await browser.newContext({
  viewport: { width: 1280, height: 800 },
  serviceWorkers: 'block',
  locale: 'en-GB',
});
const page = await context.newPage();
page.on('console', (m) => m.type() === 'error' && console.error('console:', m.text()));
page.on('pageerror', (e) => console.error('page:', e.message));

const cover = (bed: string) => async (p: Page, step: string) => {
  await p.goto(`${base}/bed/north-shore-bed-${bed}`);
  const href = await p.getByRole('link', { name: 'Go on' }).first().getAttribute('href');
  await p.goto(`${base}${href!.replace(/\/[a-z]+$/, `/${step}`)}`);
};
const shots: [string, boolean, (p: Page) => Promise<void>][] = [
  ['cloth', false, async (p) => void (await p.goto(`${base}/`))],
  [
    'choose',
    false,
    async (p) => {
      await p.goto(`${base}/bed/north-shore-bed-R1/choose`);
      await setDay(p, 'Planting day', '2028-05-20');
      await setDay(p, 'Ground free on', '2027-09-08');
      await p.getByText('covers done').waitFor();
      await p.getByText('covers done').waitFor({ state: 'detached', timeout: 60_000 });
    },
  ],
  [
    'cover',
    false,
    async (p) => {
      await p.goto(`${base}/covers/crimson-clover`);
      await p.getByRole('cell', { name: 'Half in flower' }).waitFor();
    },
  ],
  ['bench', false, async (p) => void (await p.goto(`${base}/bench/weigh`))],
  [
    'yard',
    false,
    async (p) => {
      await p.goto(`${base}/yard`);
      await p.getByRole('button', { name: /^Throw [\d,]+ seeds/ }).click();
      await p.getByText('seeds a square metre lie').waitFor({ timeout: 20_000 });
    },
  ],
  [
    'ground',
    false,
    async (p) => {
      await p.goto(`${base}/ground`);
      await p.getByRole('button', { name: 'Bed 6', exact: true }).click();
      await p.evaluate(() => window.scrollTo(0, 0));
    },
  ],
  [
    'terminate',
    false,
    async (p) => {
      await cover('7')(p, 'terminate');
      await p.getByText('of 100 ready').first().waitFor({ timeout: 30_000 });
    },
  ],
  [
    'shared',
    false,
    async (p) => {
      await p.goto(`${base}/shared`);
      await p.getByText('all ready in time').first().waitFor({ timeout: 30_000 });
    },
  ],
  [
    'plant-back',
    false,
    async (p) => {
      await cover('11')(p, 'plant');
      await p.getByText(/felt from about|finds enough/).waitFor({ timeout: 30_000 });
    },
  ],
  [
    'notebook',
    false,
    async (p) => {
      await p.goto(`${base}/notebook/came`);
      await p.getByText('Growth, all covers').waitFor({ timeout: 60_000 });
      await p
        .getByRole('button', { name: /^Bed 10/ })
        .first()
        .click();
      await p
        .getByText(/^expected .* seen/)
        .first()
        .waitFor();
    },
  ],
  ['years', false, async (p) => void (await p.goto(`${base}/notebook/years`))],
  [
    'trial',
    false,
    async (p) => {
      await p.goto(`${base}/notebook/trials`);
      await p.getByText('Probably, but not yet shown.').first().waitFor();
      await p.getByRole('heading', { name: /^Does half as much seed/ }).evaluate((el) => el.scrollIntoView());
    },
  ],
  ['welcome', false, async (p) => void (await p.goto(`${base}/new`))],
  [
    'first-answer-phone',
    true,
    async (p) => {
      await p.goto(`${base}/first`);
      await p.getByLabel('Nearest town', { exact: true }).fill('glasgow');
      await p.getByRole('button', { name: /^Glasgow/ }).click();
      await p.getByRole('button', { name: '1.2 m x 8 m' }).click();
      await setDay(p, 'Empty from', '2027-08-20');
      await p.getByRole('button', { name: 'Squash', exact: true }).click();
      await p.getByRole('button', { name: 'Crimson clover' }).click();
      await p.getByLabel('It weighs').fill('100 g');
      const answer = p.getByRole('region', { name: 'The answer' });
      await answer.getByText(/^Out of the way for squash/).waitFor({ timeout: 30_000 });
      await answer.scrollIntoViewIfNeeded();
      await answer.evaluate((el) => el.scrollIntoView({ block: 'start' }));
    },
  ],
  [
    'sow-phone',
    true,
    async (p) => {
      await cover('10')(p, 'sow');
      await p.getByText('Works until').waitFor({ timeout: 20_000 });
    },
  ],
  [
    'look-phone',
    true,
    async (p) => {
      await cover('7')(p, 'look');
      await p.getByText('Can be ended').waitFor({ timeout: 30_000 });
    },
  ],
  [
    'terminate-phone',
    true,
    async (p) => {
      await cover('7')(p, 'terminate');
      await p.getByText(/swipe from one/).waitFor({ timeout: 30_000 });
    },
  ],
  [
    'rounds-phone',
    true,
    async (p) => {
      await p.goto(`${base}/rounds`);
      await p.getByText(/^[1-5] beds?, about/).waitFor();
      await setDay(p, 'Season clock: the pretended date', '2027-05-10');
      await p.getByText(/^([6-9]|\d\d) beds, about/).waitFor({ timeout: 30_000 });
    },
  ],
  [
    'round-card',
    true,
    async (p) => {
      await p
        .getByRole('button', { name: /How far is the cereal rye/ })
        .first()
        .click();
      await p.getByRole('button', { name: 'swollen sheath' }).click();
      await p.getByRole('button', { name: '7 of 10' }).click();
    },
  ],
];
await page.goto(`${base}/open-demo/north-shore`);
await page.getByText('This week').waitFor();
for (const [name, phone, go] of shots) {
  if (only.length > 0 && !only.includes(name)) continue;
  await page.setViewportSize(phone ? { width: 390, height: 844 } : { width: 1280, height: 800 });
  await go(page);
  await page.waitForTimeout(name === 'cloth' ? 5000 : 1200);
  await page.screenshot({ path: `${out}/${name}.png` });
}
await browser.close();

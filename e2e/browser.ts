import { type AxeResults } from 'axe-core';
import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { type Server } from 'node:http';
import { createRequire } from 'node:module';
import { type AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import { chromium, type Browser, type BrowserContext, type Page } from 'playwright-core';
import { makeApp } from '../server/app.ts';

const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** Named from outside, or the shell that the tests install. */
export const CHROMIUM = process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell';

const dist = fileURLToPath(new URL(`../${process.env.BUILT ?? 'dist'}`, import.meta.url));

/** A served build, a browser, and a record of everything that should not happen. */
export interface Stage {
  page: Page;
  context: BrowserContext;
  base: string;
  /** Console errors, failed requests and requests to anywhere else. */
  wrongs: string[];
  close(): Promise<void>;
}

let browser: Browser | undefined;

/** Each stage is a browser that has never been here. Only one that goes `offline` keeps the application, which takes it a while. */
export async function openStage(
  viewport = { width: 1280, height: 800 },
  { offline = false } = {},
): Promise<Stage> {
  browser ??= await chromium.launch({
    executablePath: CHROMIUM,
    args: FLAGS,
  });
  const server: Server = await new Promise((resolve) => {
    const s = makeApp(dist).listen(0, '127.0.0.1', () => resolve(s));
  });
  const base = `http://localhost:${(server.address() as AddressInfo).port}`;
  const context = await browser.newContext({
    viewport,
    locale: 'en-GB',
    acceptDownloads: true,
    reducedMotion: 'reduce',
    serviceWorkers: offline ? 'allow' : 'block',
  });
  const page = await context.newPage();
  const wrongs: string[] = [];
  page.on('console', (m) => m.type() === 'error' && wrongs.push(`console: ${m.text()}`));
  page.on('pageerror', (e) => wrongs.push(`page: ${e.message}`));
  page.on('requestfailed', (r) => {
    // Given up by the page itself when it is left; a server that fails says otherwise.
    const why = r.failure()?.errorText;
    if (why !== 'net::ERR_ABORTED') wrongs.push(`failed: ${r.url()} ${why}`);
  });
  page.on(
    'request',
    (r) => !r.url().startsWith(base) && !/^(data|blob):/.test(r.url()) && wrongs.push(`outside: ${r.url()}`),
  );
  page.setDefaultTimeout(60_000);
  return {
    page,
    context,
    base,
    wrongs,
    async close() {
      await context.close();
      // The scale's readings are a connection that stays open.
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
    },
  };
}

export async function closeBrowser(): Promise<void> {
  await browser?.close();
  browser = undefined;
}

/** Goes to another screen of the running application, as a link would: nothing is loaded anew. */
export const visit = (page: Page, path: string): Promise<void> =>
  page.evaluate((to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
  }, path);

/** Types a day and says that it is meant. */
export async function setDay(page: Page, label: string, iso: string): Promise<void> {
  const field = page.getByLabel(label, { exact: true });
  await field.fill(iso);
  await field.press('Enter');
}

/** Makes a garden under a cool maritime climate with a sheet and water, and brings beds of these sizes in, named by the letter. */
export async function makeGarden(
  page: Page,
  garden: { name: string; latitude: number; letter: string; sizes: string[] },
): Promise<void> {
  await page.getByRole('link', { name: 'Lay out a garden' }).click();
  await page.getByLabel('Name of the garden').fill(garden.name);
  await page.getByLabel('Pick a climate').check();
  await page.getByLabel('Latitude in degrees').fill(String(garden.latitude));
  await page.getByLabel('Climate', { exact: true }).selectOption('cool-maritime');
  for (const tool of ['Opaque sheet and weights', 'Hose or watering can'])
    await page.getByLabel(tool, { exact: true }).check();
  await page.getByRole('button', { name: 'Make this garden' }).click();
  const rows = garden.sizes.map((size, i) => `${garden.letter}${i + 1},${size}`);
  await page.getByLabel('Or bring many beds in at once').setInputFiles({
    name: 'beds.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`name,size\n${rows.join('\n')}`),
  });
  await page.getByRole('button', { name: /^Put \d+ beds? in the garden$/ }).click();
  await page.getByRole('link', { name: `${garden.letter}${rows.length}`, exact: true }).waitFor();
}

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** What axe objects to on the screen as it stands. */
export async function axe(page: Page): Promise<string[]> {
  await page.evaluate(AXE);
  const violations = await page.evaluate(async () => {
    const { axe } = globalThis as unknown as { axe: { run(options: object): Promise<AxeResults> } };
    const tags = ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'];
    const found = await axe.run({ runOnly: tags, resultTypes: ['violations'] });
    return found.violations.map((v) => ({ id: v.id, at: v.nodes.map((n) => n.target.join(' ')) }));
  });
  return violations.map((v) => `${new URL(page.url()).pathname}: ${v.id} at ${v.at.slice(0, 3).join(' | ')}`);
}

/** Text of the file that a click downloads. */
export async function downloaded(
  page: Page,
  click: () => Promise<void>,
): Promise<{ name: string; text: string }> {
  const [download] = await Promise.all([page.waitForEvent('download'), click()]);
  const chunks: Buffer[] = [];
  for await (const chunk of await download.createReadStream()) chunks.push(chunk as Buffer);
  return { name: download.suggestedFilename(), text: Buffer.concat(chunks).toString('utf8') };
}

/** A browser with a profile on the disk that can be killed without warning and opened again. */
export async function openLasting(profile: string, port = 0) {
  const server: Server = await new Promise((resolve) => {
    const s = makeApp(dist).listen(port, '127.0.0.1', () => resolve(s));
  });
  const at = (server.address() as AddressInfo).port;
  // Playwright does not tell the process of a lasting profile: it is found by the port it is driven through.
  const child = spawn(
    CHROMIUM,
    [
      '--headless=new',
      `--user-data-dir=${profile}`,
      '--remote-debugging-port=0',
      '--window-size=390,844',
      ...FLAGS,
      'about:blank',
    ],
    { stdio: ['ignore', 'ignore', 'pipe'], detached: true },
  );
  const address = await new Promise<string>((resolve) => {
    let said = '';
    child.stderr.on('data', (chunk: Buffer) => {
      said += chunk.toString();
      const found = /DevTools listening on (ws:\S+)/.exec(said);
      if (found) resolve(found[1]!);
    });
  });
  const driven = await chromium.connectOverCDP(address);
  const page = await driven.contexts()[0]!.newPage();
  page.setDefaultTimeout(60_000);
  return {
    page,
    port: at,
    base: `http://localhost:${at}`,
    async kill() {
      const gone = new Promise((resolve) => child.once('exit', resolve));
      // The whole group at once, as a flat battery does.
      process.kill(-child.pid!, 'SIGKILL');
      await gone;
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
    },
  };
}

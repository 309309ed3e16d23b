import { AxeBuilder } from '@axe-core/playwright';
import { type Server } from 'node:http';
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

export async function openStage(viewport = { width: 1280, height: 800 }): Promise<Stage> {
  browser ??= await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: FLAGS,
  });
  const dist = fileURLToPath(new URL('../dist', import.meta.url));
  const server: Server = await new Promise((resolve) => {
    const s = makeApp(dist).listen(0, '127.0.0.1', () => resolve(s));
  });
  const base = `http://localhost:${(server.address() as AddressInfo).port}`;
  const context = await browser.newContext({
    viewport,
    locale: 'en-GB',
    acceptDownloads: true,
    reducedMotion: 'reduce',
  });
  const page = await context.newPage();
  const wrongs: string[] = [];
  page.on('console', (m) => m.type() === 'error' && wrongs.push(`console: ${m.text()}`));
  page.on('pageerror', (e) => wrongs.push(`page: ${e.message}`));
  page.on('requestfailed', (r) => wrongs.push(`failed: ${r.url()} ${r.failure()?.errorText}`));
  page.on(
    'request',
    (r) => !r.url().startsWith(base) && !/^(data|blob):/.test(r.url()) && wrongs.push(`outside: ${r.url()}`),
  );
  page.setDefaultTimeout(30_000);
  return {
    page,
    context,
    base,
    wrongs,
    async close() {
      await context.close();
      await new Promise((resolve) => server.close(resolve));
    },
  };
}

export async function closeBrowser(): Promise<void> {
  await browser?.close();
  browser = undefined;
}

/** What axe objects to on the screen as it stands. */
export async function axe(page: Page): Promise<string[]> {
  const found = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    .analyze();
  return found.violations.map(
    (v) =>
      `${new URL(page.url()).pathname}: ${v.id} at ${v.nodes
        .map((n) => n.target.join(' '))
        .slice(0, 3)
        .join(' | ')}`,
  );
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

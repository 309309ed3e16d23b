import { readFileSync } from 'node:fs';
import { type Page } from 'playwright-core';
import { closeBrowser, openStage } from '../e2e/browser.ts';

/**
 * The three ways into Kilim, from the empty application to a bed that is logged as sown, on a phone: how many taps each asks for, and how long the
 * machine keeps a hand waiting. Typing into a field counts as the tap that gives it the hand; a person reads and types besides.
 */
const PHONE = { width: 390, height: 844 };
const THIS_YEAR = new Date().getFullYear();

class Hand {
  taps = 0;
  constructor(readonly page: Page) {}
  async tap(role: 'link' | 'button', name: string | RegExp): Promise<void> {
    this.taps++;
    await this.page
      .getByRole(role, { name, exact: typeof name === 'string' })
      .first()
      .click();
  }
  async type(label: string | RegExp, text: string): Promise<void> {
    this.taps++;
    const field = this.page.getByLabel(label, { exact: typeof label === 'string' }).first();
    await field.fill(text);
    await field.press('Enter');
  }
  /** The bed stands sown in the records. */
  async logSowing(): Promise<void> {
    const used = this.page.getByLabel(/really used/);
    const own = this.page.locator('summary, button').filter({ hasText: 'Write it down' }).first();
    await own.waitFor();
    if (!(await used.first().isVisible())) {
      this.taps++;
      await own.click();
    }
    await this.tap('button', /^Log sowing/);
    const all = this.page.getByRole('button', { name: 'Sown all the same' });
    const sown = this.page.getByText(/^Sown \d/).first();
    await all.or(sown).first().waitFor();
    if (await all.isVisible()) {
      this.taps++;
      await all.click();
    }
    await sown.waitFor();
  }
}

const WAYS: [string, (hand: Hand, base: string) => Promise<void>][] = [
  [
    'one bed and a packet',
    async (hand) => {
      const { page } = hand;
      await hand.tap('link', 'Begin with one bed');
      await hand.type('Nearest town', 'zurich');
      await hand.tap('button', /^Zürich/);
      await hand.type('Size', '4 ft x 2.4 m');
      await hand.tap('button', 'Tomato');
      await hand.type('Planted on', `${THIS_YEAR + 1}-06-01`);
      await hand.type('Kind', 'phac');
      await hand.tap('button', 'Phacelia');
      await hand.type('It weighs', '50 g');
      await hand.type('Rate on it, or ground it is for', '10 m²');
      await page
        .getByRole('region', { name: 'The answer' })
        .getByText(/years of 100/)
        .first()
        .waitFor();
      await hand.tap('button', 'Keep this plan and go on to sowing');
      await hand.logSowing();
    },
  ],
  [
    'a list of beds',
    async (hand) => {
      const { page } = hand;
      await hand.tap('link', 'Lay out a garden');
      await hand.type('Name of the garden', 'Long Acre');
      hand.taps++;
      await page.getByRole('textbox', { name: 'Nearest town' }).fill('zurich');
      await hand.tap('button', /^Zürich/);
      await hand.tap('button', 'Make this garden');
      hand.taps++;
      await page
        .getByLabel('Paste it from a spreadsheet')
        .fill(
          `bed,size,crop,planted,out\n1,1.2 x 8 m,Tomato,${THIS_YEAR}-05-20,${THIS_YEAR}-09-30\n2,1.2 x 8 m,,,`,
        );
      await hand.tap('button', /^Put .* in the garden$/);
      hand.taps++;
      await page.getByRole('button', { name: 'Bed 2', exact: true }).press('Enter');
      await hand.tap('link', 'what grows there');
      await hand.tap('link', /^Choose a cover for bed 2/);
      await page.getByRole('button', { name: /^Pin / }).first().waitFor();
      await page.getByText('covers done').waitFor({ state: 'detached' });
      await hand.tap('button', /^Put this on bed 2/);
      // Late in the year the first answer may be a later planting: taken as it is offered.
      const instead = page.getByRole('button', { name: /instead: \d+ of 100$/ });
      const sow = page.getByRole('heading', { name: /bed 2/ }).filter({ hasText: /seed|weigh/i });
      await instead.or(sow).first().waitFor();
      if (await instead.isVisible()) {
        await hand.tap('button', /instead: \d+ of 100$/);
        await instead.waitFor({ state: 'detached' });
        await page.getByText('covers done').waitFor({ state: 'detached' });
        await hand.tap('button', /^Put this on bed 2/);
      }
      await page.getByRole('navigation').getByRole('link', { name: 'Sow', exact: true }).first().waitFor();
      await hand.tap('link', 'Sow');
      await hand.logSowing();
    },
  ],
  [
    'a garden brought back',
    async (hand) => {
      const { page } = hand;
      hand.taps += 2;
      await page
        .getByLabel(/garden file|Bring a garden back/i)
        .first()
        .setInputFiles({
          name: 'north-shore.kilim.json',
          mimeType: 'application/json',
          buffer: readFileSync(new URL('../demo/north-shore.kilim.json', import.meta.url)),
        });
      await hand.tap('button', /^Bring it in|^Bring .* (in|back)/);
      await page.getByRole('img', { name: /Cloth of 14 beds/ }).waitFor();
      await hand.tap('link', /Sow bed 10/);
      await hand.logSowing();
    },
  ],
];

for (const [name, walk] of WAYS) {
  const stage = await openStage(PHONE);
  const hand = new Hand(stage.page);
  try {
    await stage.page.goto(stage.base);
    const from = performance.now();
    await walk(hand, stage.base);
    console.log(
      `${name}: ${hand.taps} taps, ${((performance.now() - from) / 1000).toFixed(1)} s of the machine's time`,
    );
  } catch (e) {
    console.log(`${name}: not walked to its end: ${String(e).split('\n')[0]}`);
    process.exitCode = 1;
  }
  await stage.close();
}
await closeBrowser();

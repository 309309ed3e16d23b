import { afterAll, expect, test } from '@jest/globals';
import { axe, closeBrowser, openStage, setDay } from './browser.ts';

afterAll(closeBrowser);

/** Of a phone; typing into a field that has the hand is no tap of its own. */
const MOST_TAPS = 25;

test('with a packet, a bed and a phone: from the empty app to what to do, and on to sowing, in few taps', async () => {
  const stage = await openStage({ width: 390, height: 844 });
  const { page, base, wrongs } = stage;
  let taps = 0;
  const tap = async (role: 'link' | 'button', name: string | RegExp) => {
    taps++;
    await page.getByRole(role, { name, exact: typeof name === 'string' }).click();
  };
  const type = async (label: string, text: string) => {
    taps++;
    await page.getByLabel(label, { exact: true }).fill(text);
  };
  try {
    await page.goto(base);
    await tap('link', 'Begin with one bed');
    expect(await axe(page)).toEqual([]);
    await page.getByText('The answer stands here as soon as Kilim knows').waitFor();
    await type('Nearest town', 'zurich');
    await tap('button', /^Zürich/);
    // Frosts come out of the town's figures and are put right where the garden is colder.
    await page.getByText(/^Last frost about/).waitFor();
    const frost = page
      .getByText(/^Last frost about/)
      .locator('b')
      .first();
    const usual = await frost.textContent();
    await type('Size', '12 x');
    await page
      .getByRole('alert')
      .getByText(/cannot be read as a size/)
      .waitFor();
    await type('Size', '4 ft x 2.4 m');
    await page.getByText('2.9 m²').waitFor();
    // Free next August, whatever the day of this run.
    const year = new Date().getFullYear() + 1;
    await setDay(page, 'Empty from', `${year}-08-20`);
    taps++;
    await tap('button', 'Tomato');
    await setDay(page, 'Planted on', `${year + 1}-06-01`);
    taps++;
    await type('Kind', 'phac');
    await tap('button', 'Phacelia');
    await tap('button', 'It is a mix: add a kind');
    await type('Another kind in it', 'trifolium inc');
    await tap('button', 'Crimson clover');
    await type('It weighs', '50 g');
    await type('Rate on it, or ground it is for', '10 m²');
    await type('Name of the mix', 'Bees and feed');
    const answer = page.getByRole('region', { name: 'The answer' });
    await answer.getByText(/^Out of the way for tomato by 1 Jun in \d+ years of 100\.$/).waitFor();
    expect(taps).toBeLessThanOrEqual(MOST_TAPS);
    // Ten square metres' worth in the packet, not three of them here.
    await answer
      .getByText(/^Sow\. About a (third|quarter) of the packet: 14\.6 g, in two halves of/)
      .waitFor();
    await answer.getByText(/Rake it in|Firm it down/).waitFor();
    await answer.getByText(/^Or another way:/).waitFor();
    expect(await axe(page)).toEqual([]);
    // A reload in the middle takes nothing.
    await page.reload();
    await answer.getByText(/^Out of the way for tomato/).waitFor();
    // A garden in a hollow: later frosts.
    await page.getByRole('button', { name: 'Not so in my garden' }).click();
    const field = page.getByLabel('Last frost of a usual spring');
    await field.fill('25 May 2024');
    await field.press('Enter');
    await page.getByText(/^Last frost about (2[1-9]) May/).waitFor();
    expect(await frost.textContent()).not.toBe(usual);
    await answer.getByText(/^Out of the way for tomato/).waitFor();
    await page.getByLabel('Name of the garden').fill('Hollow');
    await page.getByRole('button', { name: 'Keep this plan and go on to sowing' }).click();
    await page.getByRole('heading', { name: 'Sow bed 1' }).waitFor();
    await page.getByText('Bees and feed').first().waitFor();
    // The mix hangs on the bench with its rate, as it was printed.
    await page.goto(`${base}/bench/mixes`);
    await page.getByRole('heading', { name: 'Bees and feed' }).waitFor();
    await page.getByText('Rate on its bag: 5 g/m²').waitFor();
    expect(wrongs).toEqual([]);
  } finally {
    await stage.close();
  }
});

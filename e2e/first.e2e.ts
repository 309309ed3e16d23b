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
    // Those that answer load beside the page, before anything is asked.
    while (page.workers().length < 2) await page.waitForEvent('worker');
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

test('a list of beds with their crops is pasted, laid out, dragged, turned, reshaped and copied; a wall on the plan takes its sun', async () => {
  const stage = await openStage();
  const { page, base, wrongs } = stage;
  try {
    await page.goto(base);
    await page.getByRole('link', { name: 'Lay out a garden' }).click();
    await page.getByLabel('Name of the garden').fill('Long Acre');
    await page.getByRole('textbox', { name: 'Nearest town' }).fill('zurich');
    await page.getByRole('button', { name: /^Zürich/ }).click();
    await page.getByRole('button', { name: 'Make this garden' }).click();
    await page.getByText('No beds yet.').waitFor();
    const year = new Date().getFullYear() - 1;
    await page
      .getByLabel('Paste it from a spreadsheet')
      .fill(
        [
          'Bed\tSize\tCrop\tPlanted\tOut',
          `1\t1.2 x 8 m\tTomatoes\t21.5.${year}\t30.9.${year}`,
          `2\t1.2 x 8 m\tSkirret\t1.4.${year}\t1.10.${year}`,
          `2\t\tGarlic\t15.10.${year}\t`,
          `3\tvast\tLeek\t1.5.${year}\t`,
          '4\t6 m²\t\t\t',
        ].join('\n'),
      );
    const seen = page.getByRole('group', { name: 'What was understood' });
    await seen.getByText('3 beds and 3 crops').first().waitFor();
    await seen.getByText('Line 5 is left out: "vast" is no size of a bed.').waitFor();
    await seen.getByText(`; tomatoes ${year}-05-21 to ${year}-09-30`).waitFor();
    await seen.getByLabel('"Skirret" is').selectOption({ label: 'Parsnip' });
    expect(await axe(page)).toEqual([]);
    await seen.getByRole('button', { name: 'Put 3 beds and 3 crops in the garden' }).click();
    const bed = page.getByRole('button', { name: 'Bed 2', exact: true });
    await bed.click();
    const card = page.getByRole('region', { name: 'Bed 2' });
    await card.getByText(/^96 g|10 g\/m² comes to 96 g/).waitFor();

    // Dragged by its middle, nudged with keys, turned by a typed figure.
    const middle = async () => {
      const b = (await bed.boundingBox())!;
      return { x: b.x + b.width / 2, y: b.y + b.height / 2 };
    };
    const from = await middle();
    const lies = (await card.getByText(/^Its middle lies/).textContent())!;
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(from.x + 200, from.y + 30, { steps: 5 });
    await page.mouse.up();
    await card.getByText(lies, { exact: true }).waitFor({ state: 'detached' });
    const dragged = (await card.getByText(/^Its middle lies/).textContent())!;
    await bed.press('Shift+ArrowLeft');
    await card.getByText(dragged, { exact: true }).waitFor({ state: 'detached' });
    await card.getByLabel('Turned by, degrees').fill('90');
    await card.getByLabel('Turned by, degrees').press('Enter');
    await page.waitForFunction(() => {
      const b = document.querySelector('[aria-label="Bed 2"][role=button]')!.getBoundingClientRect();
      return b.width > b.height * 3;
    });
    // Another shape and size, typed in another unit.
    await card.getByLabel('Shape').selectOption('triangle');
    await card.getByLabel('Base x height').fill('10 ft x 4');
    await card.getByLabel('Base x height').press('Enter');
    await card.getByText('1.9 m²').first().waitFor();
    expect(await axe(page)).toEqual([]);
    // Two more in a row, named onwards.
    await card.getByText('More of the same in a row').click();
    await card.getByLabel('How many').fill('2');
    await card.getByRole('button', { name: 'Copy bed 2' }).click();
    await page.getByRole('link', { name: '5', exact: true }).waitFor();
    await page.getByRole('button', { name: 'Bed 5', exact: true }).waitFor();
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: 'Bed 5', exact: true }).waitFor({ state: 'detached' });
    // A wall in the way of the sun, with its height typed; the bed north of it hears of it.
    await page.reload();
    await page.getByRole('button', { name: 'Wall or fence' }).click();
    await page.getByLabel('How high').fill('12 ft');
    await page.getByLabel('How high').press('Enter');
    await page.getByLabel('Size', { exact: true }).fill('30 m x 30 m');
    await page.getByLabel('Size', { exact: true }).press('Enter');
    await page.getByRole('button', { name: 'Bed 1', exact: true }).press('Enter');
    await page.getByText(/it is kept as open sky\./).waitFor();
    await page.getByRole('button', { name: /^Take (half|deep) shade$/ }).click();
    await page.getByText(/it is kept as open sky\./).waitFor({ state: 'detached' });
    expect(wrongs).toEqual([]);
  } finally {
    await stage.close();
  }
});

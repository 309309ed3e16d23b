import { afterAll, expect, jest, test } from '@jest/globals';
import { PNG } from 'pngjs';
import { axe, closeBrowser, openStage, setDay, visit } from './browser.ts';

// Long journeys on slow, busy cores.
jest.setTimeout(420_000);
afterAll(closeBrowser);

/** Ground from above with leaves over the left of it: this share is covered. */
function ground(share: number): Buffer {
  const png = new PNG({ width: 200, height: 150 });
  for (let y = 0; y < png.height; y++)
    for (let x = 0; x < png.width; x++) {
      const grain = 0.85 + 0.3 * ((Math.sin(x * 12.9898 + y * 78.233) * 43758.5453) % 1) ** 2;
      const leaf = x < png.width * share;
      const colour = leaf ? [72, 118, 46] : [104, 78, 58];
      const i = (y * png.width + x) * 4;
      for (let c = 0; c < 3; c++) png.data[i + c] = Math.min(255, colour[c]! * grain);
      png.data[i + 3] = 255;
    }
  return PNG.sync.write(png);
}

test('a whole round on a phone: cards by touch, a picture from a file, the page killed in the middle of a card, no signal', async () => {
  const stage = await openStage({ width: 390, height: 844 }, { offline: true });
  const { context, base, wrongs } = stage;
  let page = stage.page;
  try {
    await page.goto(`${base}/open-demo/north-shore`);
    await page.getByRole('heading', { name: 'This week' }).waitFor();
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await visit(page, '/rounds');
    await page.getByText(/^[1-5] beds?, about/).waitFor();
    await setDay(page, 'Season clock: the pretended date', '2027-05-08');
    await page.getByText(/^([6-9]|\d\d) beds, about \d+ min, \d+ m to walk\.$/).waitFor();
    const stops = await page.getByRole('listitem').count();
    expect(stops).toBeGreaterThanOrEqual(6);
    expect(await axe(page)).toEqual([]);

    // No signal from here on.
    await context.setOffline(true);
    const before = wrongs.length;
    // The short way round begins at the bed nearest the shed.
    await page.getByRole('img', { name: /^The way past \d+ beds: 11, 9, 7, 1, / }).waitFor();
    await page.getByRole('button', { name: 'Begin at bed 11' }).click();
    const died = async () => {
      await page.getByRole('button', { name: 'swollen sheath' }).click();
      await page.getByRole('button', { name: '7 of 10' }).click();
      await page.getByText('7 of 10 as far as that: swollen sheath').waitFor();
      // The page dies between two taps, once the last one is on the disk: the card and what was tapped are there again.
      await page.waitForFunction(
        () =>
          new Promise<boolean>((resolve) => {
            const asked = indexedDB.open('kilim');
            asked.onsuccess = () => {
              const kept = asked.result.transaction('drafts').objectStore('drafts').get('rounds north-shore');
              kept.onsuccess = () => {
                asked.result.close();
                resolve(JSON.stringify(kept.result ?? '').includes('"reached'));
              };
            };
          }),
        undefined,
        { polling: 100 },
      );
      await page.close();
      page = await context.newPage();
      page.setDefaultTimeout(60_000);
      await page.goto(`${base}/rounds`);
      await page.getByText('7 of 10 as far as that: swollen sheath').waitFor();
    };
    // Skipped is an answer; the rest is tapped through, covers by a picture.
    let pictures = 0;
    let spades = 0;
    let deaths = 0;
    for (let k = 1; k <= stops; k++) {
      await page.getByText(`${k} of ${stops}`, { exact: true }).waitFor();
      const title = (await page.getByRole('heading', { level: 1 }).textContent())!;
      if (k === 1) {
        expect(await axe(page)).toEqual([]);
        await page.getByRole('button', { name: 'Skip' }).click();
        continue;
      }
      if (title === 'How far is the cereal rye?' && deaths === 0) {
        await died();
        deaths++;
      } else if (/^How much is covered/.test(title)) {
        await page
          .getByLabel(/picture/i)
          .first()
          .setInputFiles({ name: 'bed.png', mimeType: 'image/png', buffer: ground(0.6) });
        await page.getByText(/^read: green (5[5-9]|6[0-5]) %/).waitFor();
        pictures++;
      } else if (/^How far is/.test(title)) {
        await page.getByRole('button', { name: 'leaf only' }).click();
      } else if (/^A spade into/.test(title)) {
        spades++;
        for (const found of ['A spade', '6 to 10', 'Crumbs', 'Sweet, of woods'])
          await page.getByRole('button', { name: found, exact: true }).click();
      } else
        await page
          .getByRole('button', {
            name: /None of ten|No dark|^None|Nowhere|Evenly|^Nothing that eats|^Nothing green|^No: it lies|^\+10$/,
          })
          .first()
          .click();
      await page.getByRole('button', { name: 'Save' }).click();
      const moved = page.getByRole('region', { name: 'What it moved' });
      if (deaths === 1 && title === 'How far is the cereal rye?')
        await moved
          .getByText(/of 100 in time, ready/)
          .first()
          .waitFor();
      await moved
        .getByText(/^now$|^Now: soil|^Nothing that eats|^Clean all round|^It covers still/)
        .first()
        .waitFor();
      if (pictures === 1 && /covered/.test(title)) {
        await page.getByText(/^\d+ covered, \d+ expected/).waitFor();
        expect(await axe(page)).toEqual([]);
      }
      await page.getByRole('button', { name: /^Next: |^Back to the list/ }).click();
    }
    expect(deaths).toBe(1);
    expect(pictures).toBeGreaterThanOrEqual(1);
    // A spade goes into one bed a walk at most.
    expect(spades).toBeLessThanOrEqual(1);
    await page.getByText('All that was due has been looked at.').waitFor();
    await page.getByText('skipped', { exact: true }).waitFor();

    // The looks are in the record, the picture beside its bed, and the same walk is not asked for again.
    await page.getByRole('button', { name: 'Ask the beds again' }).click();
    await page.getByText(/^[1-3] beds?, about \d+ min|^Nothing is due/).waitFor();
    await visit(page, '/cover/north-shore-cover-11-2027-03/look');
    await page.getByRole('img', { name: 'From above on 8 May' }).waitFor();
    await visit(page, '/cover/north-shore-cover-1-2026-09/look');
    await page.getByText(/cereal rye 7 of 10 come to bud or boot/).waitFor();
    await context.setOffline(false);
    const offline = wrongs.splice(before);
    expect(offline.filter((w) => !/ERR_INTERNET_DISCONNECTED|sw\.js/.test(w))).toEqual([]);
  } finally {
    await stage.close();
  }
});

test('a garden of three years is held against the book, lets it in, and says so; a trial goes from question to verdict', async () => {
  const stage = await openStage();
  const { page, base, wrongs } = stage;
  try {
    await page.goto(`${base}/open-demo/north-shore`);
    await page.getByRole('heading', { name: 'This week' }).waitFor();
    await visit(page, '/notebook/came');
    const book = page.getByRole('complementary', { name: 'Your garden against the book' });
    await book.getByText(/^Growth, all covers/).waitFor();
    // One cover opened: expected beside seen, and the line for the next time.
    await page.getByRole('button', { name: /^Bed 4\s*Cereal rye/ }).click();
    await page
      .getByText(/^expected .* seen/)
      .first()
      .waitFor();
    const next = page.getByLabel('Next time');
    await next.fill('Wait for pollen before the first cut.');
    await next.press('Enter');
    expect(await axe(page)).toEqual([]);
    await visit(page, '/cover/north-shore-cover-3-2026-09/terminate');
    await page.getByRole('region', { name: 'Crimp', exact: true }).waitFor();
    expect(await page.getByText(/^By what this garden has shown it/).count()).toBe(0);
    await visit(page, '/notebook/came');
    await book.getByRole('button', { name: 'Let forecasts use what this garden has shown' }).click();
    await book.getByText(/^Forecasts go by what was shown until 13 Apr 2027, from \d+ covers/).waitFor();
    await visit(page, '/cover/north-shore-cover-3-2026-09/terminate');
    await page.getByText(/^By what this garden has shown it .*grows \d+ % more than the book/).waitFor();
    // The line comes back where that bed is chosen for.
    await visit(page, '/bed/north-shore-bed-4/choose');
    await page.getByText('Wait for pollen before the first cut.').waitFor();

    await visit(page, '/notebook/years');
    await page.getByRole('heading', { name: 'Notebook' }).waitFor();
    await page.getByText(/^\d+ days of 100 bare this year, \d+ the year before$/).waitFor();
    expect(await axe(page)).toEqual([]);

    await visit(page, '/notebook/trials');
    await page.getByRole('button', { name: 'Set a trial' }).click();
    await page.getByLabel('Begin from').selectOption({ label: 'Does a crimp do as well as a cut?' });
    await page.getByLabel('On bed').selectOption({ label: '6' });
    await page.getByLabel('Blocks').fill('3');
    await page.getByText(/even the plainest outcome turns up by chance in 25 of 100/).waitFor();
    await page.getByLabel('Blocks').fill('6');
    await page.getByLabel('The bed begins at').fill('N end');
    await page.getByRole('button', { name: 'Draw the lots' }).click();
    const trial = page.getByRole('region', { name: 'Does a crimp do as well as a cut?' });
    await trial.getByText(/^Measure every plot on/).waitFor();
    const plots = await trial.getByRole('textbox', { name: /^Plot \d+, / }).all();
    expect(plots).toHaveLength(12);
    for (const [i, plot] of plots.entries()) {
      const crimp = (await plot.getAttribute('aria-label'))!.endsWith('crimp');
      await plot.fill(String((crimp ? 25 : 12) + (i % 3)));
      await plot.press('Enter');
    }
    await trial.getByText('Shown: crimp is more.').waitFor();
    await trial
      .getByText(/^By chance alone so big a difference turns up in 3 of 100 drawings of the lots\.$/)
      .waitFor();
    expect(await axe(page)).toEqual([]);

    // Next year: dragged and tapped into a worse place, judged at once, then planned and taken back.
    await visit(page, '/notebook/next');
    const judged = page.getByRole('complementary', { name: 'How it is judged' });
    const grid = page.getByRole('region', { name: 'Crops of the coming years' });
    await judged.getByRole('heading', { name: /bent$/ }).first().waitFor();
    const cell = (bed: number) => grid.locator(`[data-cell="0 ${bed}"]`).first();
    const [was0, was3] = [await cell(0).textContent(), await cell(3).textContent()];
    await cell(0).click();
    await cell(3).click();
    await page.waitForFunction(
      (before) => document.querySelector('[data-cell="0 3"]')?.textContent === before,
      was0,
    );
    const [from, to] = [(await cell(3).boundingBox())!, (await cell(0).boundingBox())!];
    await page.mouse.move(from.x + 40, from.y + 10);
    await page.mouse.down();
    await page.mouse.move(to.x + 40, to.y + 10, { steps: 6 });
    // What letting it go would come to is told before.
    await page.getByText(/^\d+ rules? bent, (\d+ now|as now)\.$/).waitFor();
    await page.mouse.up();
    await page.waitForFunction(
      (before) => document.querySelector('[data-cell="0 3"]')?.textContent === before,
      was3,
    );
    expect(await axe(page)).toEqual([]);
    // What was changed is the gardener's own, and is there when the page is opened again.
    await page.getByRole('button', { name: /^Yours/, pressed: true }).waitFor();
    await cell(1).click();
    const change = page.getByRole('region', { name: /^What grows on Bed .*, 2028$/ });
    await change.getByLabel('First').selectOption('bush-bean');
    await change.getByLabel('Then').selectOption('garlic');
    await page.waitForFunction(
      () =>
        [...document.querySelectorAll('[data-cell="0 1"]')].map((c) => c.textContent).join() ===
        'Bush bean,Garlic',
    );
    await change.getByRole('button', { name: 'Done' }).click();
    await visit(page, '/notebook/next');
    await page.getByRole('button', { name: /^Yours/, pressed: true }).waitFor();
    await page.waitForFunction(() => document.querySelectorAll('[data-cell="0 1"]').length === 2);
    // A cover dragged to the gap of another bed hangs there, or it is said that it cannot.
    const hung = grid.getByRole('button', { name: /, 2028, in time in/ });
    await hung.nth(1).waitFor({ timeout: 120_000 });
    const [mine, other] = await Promise.all([0, 1].map((k) => hung.nth(k).getAttribute('data-gap')));
    const middle = async (gap: string | null) => {
      const { x, y } = (await grid.locator(`[data-gap="${gap}"]`).boundingBox())!;
      return [x + 30, y + 6] as const;
    };
    await page.mouse.move(...(await middle(mine!)));
    await page.mouse.down();
    // Nothing moves under a hand: from here on it is where it is.
    await page.mouse.move(...(await middle(other!)), { steps: 8 });
    const over = await page.getByText(/^.* before .*(in time in|let go)/).textContent();
    const dragged = over!.split(' before ')[0]!;
    await page.mouse.up();
    await page.waitForFunction(
      ([gap, name]) =>
        document.querySelector(`[data-gap="${gap}"]`)?.getAttribute('aria-label')?.includes(name!),
      [other, dragged],
      { timeout: 180_000 },
    );
    // Covers come gap by gap, and those that are there are planned with the crops.
    await judged.getByRole('button', { name: /^Plan \d+ crops and \d+ covers? for 2028$/ }).click();
    await judged.getByRole('button', { name: '2028 is planned already' }).waitFor();
    await page.getByRole('button', { name: 'Undo' }).click();
    await judged.getByRole('button', { name: /^Plan \d+ crops and \d+ covers? for 2028$/ }).waitFor();
    expect(wrongs).toEqual([]);
  } finally {
    await stage.close();
  }
});

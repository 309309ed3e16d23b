import { afterAll, expect, test } from '@jest/globals';
import { PNG } from 'pngjs';
import { axe, closeBrowser, openStage, setDay } from './browser.ts';

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
  const stage = await openStage({ width: 390, height: 844 });
  const { context, base, wrongs } = stage;
  let page = stage.page;
  try {
    await page.goto(`${base}/open-demo/north-shore`);
    await page.getByRole('heading', { name: 'This week' }).waitFor();
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await page.goto(`${base}/rounds`);
    await page.getByText(/^1 bed, about/).waitFor();
    await setDay(page, 'Season clock: the pretended date', '2027-05-10');
    await page.getByText(/^\d+ beds, about \d+ min\.$/).waitFor();
    const stops = await page.getByRole('listitem').count();
    expect(stops).toBeGreaterThanOrEqual(6);
    expect(await axe(page)).toEqual([]);

    // No signal from here on.
    await context.setOffline(true);
    const before = wrongs.length;
    await page.getByRole('button', { name: 'Begin at bed 1' }).click();
    await page.getByRole('heading', { name: 'How far is the cereal rye?' }).waitFor();
    await page.getByText(`1 of ${stops}`, { exact: true }).waitFor();
    expect(await axe(page)).toEqual([]);
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
              resolve(JSON.stringify(kept.result ?? '').includes('reached'));
            };
          };
        }),
    );
    await page.close();
    page = await context.newPage();
    page.setDefaultTimeout(60_000);
    await page.goto(`${base}/rounds`);
    await page.getByText('7 of 10 as far as that: swollen sheath').waitFor();
    await page.getByRole('button', { name: 'Save' }).click();
    const moved = page.getByRole('region', { name: 'What it moved' });
    await moved.getByText('now', { exact: true }).waitFor();
    await moved
      .getByText(/of 100 in time, ready/)
      .first()
      .waitFor();
    await page.getByRole('button', { name: /^Next: / }).click();

    // Skipped is an answer; the rest is tapped through, covers by a picture.
    await page.getByText(`2 of ${stops}`, { exact: true }).waitFor();
    await page.getByRole('button', { name: 'Skip' }).click();
    let pictures = 0;
    for (let k = 3; k <= stops; k++) {
      await page.getByText(`${k} of ${stops}`, { exact: true }).waitFor();
      const title = (await page.getByRole('heading', { level: 1 }).textContent())!;
      if (/^How much is covered/.test(title)) {
        await page
          .getByLabel(/picture/i)
          .first()
          .setInputFiles({ name: 'bed.png', mimeType: 'image/png', buffer: ground(0.6) });
        await page.getByText(/^read: green (5[5-9]|6[0-5]) %/).waitFor();
        pictures++;
      } else if (/^How far is/.test(title)) {
        await page.getByRole('button', { name: 'leaf only' }).click();
      } else
        await page
          .getByRole('button', { name: /None of ten|No dark|^None|Nowhere|Evenly/ })
          .first()
          .click();
      await page.getByRole('button', { name: 'Save' }).click();
      await page.getByRole('region', { name: 'What it moved' }).getByText('now', { exact: true }).waitFor();
      if (pictures === 1 && /covered/.test(title)) {
        await page.getByText(/^\d+ covered, \d+ expected/).waitFor();
        expect(await axe(page)).toEqual([]);
      }
      await page.getByRole('button', { name: /^Next: |^Back to the list/ }).click();
    }
    expect(pictures).toBeGreaterThanOrEqual(1);
    await page.getByText('All that was due has been looked at.').waitFor();
    await page.getByText('skipped', { exact: true }).waitFor();

    // The looks are in the record, the picture beside its bed, and the same walk is not asked for again.
    await page.getByRole('button', { name: 'Ask the beds again' }).click();
    await page.getByText(/^1 bed, about \d+ min\.$|^Nothing is due/).waitFor();
    await page.goto(`${base}/cover/north-shore-cover-11-2027-03/look`);
    await page.getByRole('img', { name: 'From above on 10 May' }).waitFor();
    await page.goto(`${base}/cover/north-shore-cover-1-2026-09/look`);
    await page.getByText(/cereal rye 7 of 10 come to bud or boot/).waitFor();
    await context.setOffline(false);
    const offline = wrongs.splice(before);
    expect(offline.filter((w) => !/ERR_INTERNET_DISCONNECTED|sw\.js/.test(w))).toEqual([]);
  } finally {
    await stage.close();
  }
});

import { afterAll, expect, jest, test } from '@jest/globals';
import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { type Page } from 'playwright-core';
import { type Kept } from '../src/records/verbs/verbs.ts';
import { axe, closeBrowser, openStage, visit } from './browser.ts';

jest.setTimeout(420_000);
afterAll(closeBrowser);

const NOTE = 'slugs on the north edge';

/** Types into the look without saving. */
async function typeLook(page: Page) {
  await page.getByLabel('Note').fill(NOTE);
  await page.getByLabel('Ground covered by leaves, %').fill('64');
}

/** Every record of every table as text, so that "nothing was touched" can be compared whole. */
const everything = (page: Page): Promise<string> =>
  page.evaluate(
    () =>
      new Promise<string>((resolve, reject) => {
        const opening = indexedDB.open('kilim');
        opening.onerror = () => reject(new Error('cannot open'));
        opening.onsuccess = () => {
          const db = opening.result;
          const names = [...db.objectStoreNames];
          const tx = db.transaction(names);
          const all: Record<string, unknown> = {};
          for (const n of names) {
            const req = tx.objectStore(n).getAll();
            req.onsuccess = () => (all[n] = req.result);
          }
          tx.oncomplete = () => {
            db.close();
            resolve(JSON.stringify(all));
          };
        };
      }),
  );

async function firstLook(page: Page, base: string) {
  await page.goto(`${base}/open-demo/north-shore`);
  await page.getByRole('img', { name: /Cloth of 14 beds/ }).waitFor();
  await page.goto(`${base}/notebook`);
  const link = await page.evaluate(
    () =>
      new Promise<string>((resolve) => {
        const opening = indexedDB.open('kilim');
        opening.onsuccess = () => {
          const req = opening.result.transaction('covers').objectStore('covers').getAll();
          req.onsuccess = () => {
            opening.result.close();
            const standing = (req.result as { id: string; sownOn?: string; deadOn?: string }[]).find(
              (c) => c.sownOn && !c.deadOn,
            );
            resolve(standing!.id);
          };
        };
      }),
  );
  await page.goto(`${base}/cover/${link}/look`);
  await page.getByRole('button', { name: 'Log this look' }).waitFor();
}

test('when the browser has no room, or breaks off in the middle, it is said, typed text stays, nothing saved is touched, and trying again works', async () => {
  const stage = await openStage();
  const { page, base } = stage;
  try {
    await firstLook(page, base);
    await typeLook(page);
    const before = await everything(page);

    // No room: every put is refused as the browser refuses it.
    await page.evaluate(() => {
      const w = window as unknown as { kept: typeof IDBObjectStore.prototype.put };
      w.kept = IDBObjectStore.prototype.put;
      IDBObjectStore.prototype.put = () => {
        throw new DOMException('no room', 'QuotaExceededError');
      };
    });
    await page.getByRole('button', { name: 'Log this look' }).click();
    await page.getByText(/no room left for this garden/).waitFor();
    expect(await axe(page)).toEqual([]);
    expect(await page.getByLabel('Note').inputValue()).toBe(NOTE);
    expect(await everything(page)).toBe(before);

    // Broken off: the record is put, then the whole transaction is torn away under it.
    await page.evaluate(() => {
      const w = window as unknown as { kept: typeof IDBObjectStore.prototype.put };
      IDBObjectStore.prototype.put = function (...args) {
        const request = w.kept.apply(this, args);
        this.transaction.abort();
        return request;
      };
    });
    await page.getByRole('button', { name: 'Log this look' }).click();
    await page.getByText(/broke off before this was saved/).waitFor();
    expect(await page.getByLabel('Note').inputValue()).toBe(NOTE);
    expect(await everything(page)).toBe(before);

    await page.evaluate(() => {
      const w = window as unknown as { kept: typeof IDBObjectStore.prototype.put };
      IDBObjectStore.prototype.put = w.kept;
    });
    await page.getByRole('button', { name: 'Log this look' }).click();
    await page.getByText(NOTE).waitFor();
    await page.getByText(/broke off before this was saved/).waitFor({ state: 'detached' });
  } finally {
    await stage.close();
  }
});

test('a browser killed while a garden is being brought in leaves all of it or none', async () => {
  const stage = await openStage();
  const { page, base } = stage;
  try {
    await firstLook(page, base);
    const before = await everything(page);
    for (const after of [0, 15, 60]) {
      const doomed = await stage.context.newPage();
      await doomed.goto(`${base}/new`);
      await doomed.getByRole('button', { name: /Two Gums/ }).waitFor();
      void doomed
        .getByRole('button', { name: /Two Gums/ })
        .click()
        .catch(() => undefined);
      await new Promise((resolve) => setTimeout(resolve, after));
      await doomed.goto('chrome://crash').catch(() => undefined);
      await doomed.close();
      const now = JSON.parse(await everything(page)) as Record<string, { gardenId?: string; id: string }[]>;
      const was = JSON.parse(before) as typeof now;
      const came = now.gardens!.length - was.gardens!.length;
      const beds = now.beds!.length - was.beds!.length;
      expect([
        [0, 0],
        [1, 6],
      ]).toContainEqual([came, beds]);
    }
  } finally {
    await stage.close();
  }
});

test('an older tab that holds the garden is named while this one waits, and a newer one asks this one to reload', async () => {
  const stage = await openStage();
  const { page, base } = stage;
  const hold = (p: Page, version: number) =>
    p.evaluate(
      (v) =>
        new Promise<void>((resolve) => {
          const opening = indexedDB.open('kilim', v);
          opening.onsuccess = () => {
            (window as unknown as { held: IDBDatabase }).held = opening.result;
            resolve();
          };
        }),
      version,
    );
  try {
    const old = await stage.context.newPage();
    await old.goto(`${base}/icon.svg`);
    await hold(old, 1);
    await page.goto(`${base}/open-demo/north-shore`);
    await page.getByText(/holds the garden open with an older Kilim/).waitFor();
    expect(await axe(page)).toEqual([]);
    await old.close();
    await page.getByRole('img', { name: /Cloth of 14 beds/ }).waitFor();
    expect(await page.getByRole('alert').count()).toBe(0);

    const newer = await stage.context.newPage();
    await newer.goto(`${base}/icon.svg`);
    await hold(newer, 900);
    await page.getByText(/A newer Kilim has opened this garden/).waitFor();
    await page.getByRole('button', { name: 'Undo' }).click();
    await page
      .getByText(/A newer Kilim has opened this garden/)
      .first()
      .waitFor();
    await page.evaluate(() => void Object.assign(window, { leftBehind: true }));
    await page.getByRole('button', { name: 'Reload' }).click();
    await page.waitForFunction(() => !('leftBehind' in window));
    // Still the older Kilim: it says so and touches nothing.
    await page
      .getByRole('alert')
      .getByText(/A newer Kilim has opened this garden/)
      .waitFor();
    expect(await page.getByText('Opening the garden').count()).toBe(0);
  } finally {
    await stage.close();
  }
});

test('it can be installed: manifest, icons and service worker satisfy the browser', async () => {
  const stage = await openStage(undefined, { offline: true });
  const { page, base } = stage;
  try {
    await page.goto(base);
    await page.getByRole('link', { name: 'Begin with one bed' }).waitFor();
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    const cdp = await stage.context.newCDPSession(page);
    const manifest = await cdp.send('Page.getAppManifest');
    expect(manifest.errors).toEqual([]);
    expect(JSON.parse(manifest.data!)).toMatchObject({
      name: 'Kilim',
      display: 'standalone',
      start_url: '/',
    });
    const { installabilityErrors } = await cdp.send('Page.getInstallabilityErrors');
    // The test browser is a private window, which never installs; every other objection would be ours.
    expect(installabilityErrors.map((e) => e.errorId).filter((id) => id !== 'in-incognito')).toEqual([]);
  } finally {
    await stage.close();
  }
});

test('copies write themselves into a folder, the last seven stay, and a phone’s file is made one with what is here', async () => {
  const stage = await openStage();
  const { page, base, wrongs } = stage;
  try {
    // A folder of the browser's own in place of one that a hand would pick.
    await page.addInitScript(() => {
      window.showDirectoryPicker = async () => {
        const root = await navigator.storage.getDirectory();
        const folder = await root.getDirectoryHandle('copies', { create: true });
        for (let d = 10; d < 18; d++)
          await folder.getFileHandle(`two-gums-2026-01-${d}.kilim.json`, { create: true });
        await folder.getFileHandle('holiday.jpg', { create: true });
        return folder;
      };
    });
    await page.goto(`${base}/open-demo/two-gums`);
    await page.getByRole('img', { name: /Cloth of 6 beds/ }).waitFor();
    await page.getByRole('link', { name: 'Keep', exact: true }).click();
    await page.getByText('No copy yet, and nothing written yet.').waitFor();
    await page.getByRole('button', { name: 'Let copies write themselves into a folder' }).click();
    await page.getByText('A copy is in the folder.').waitFor();
    await page.getByText('Last copy today, nothing new since.').waitFor();
    const { names, text } = await page.evaluate(async () => {
      const root = await navigator.storage.getDirectory();
      const folder = await root.getDirectoryHandle('copies');
      const all: string[] = [];
      for await (const name of (folder as unknown as { keys(): AsyncIterable<string> }).keys())
        all.push(name);
      const newest = all.filter((n) => n.endsWith('.json')).sort();
      const file = await (await folder.getFileHandle(newest.at(-1)!)).getFile();
      return { names: all.sort(), text: await file.text() };
    });
    expect(names.filter((n) => n.endsWith('.json'))).toHaveLength(7);
    expect(names).toContain('holiday.jpg');
    expect(names).not.toContain('two-gums-2026-01-11.kilim.json');
    // The copy goes to a phone, and something is written there with a word of its own.
    const phone = JSON.parse(text) as {
      notes: object[];
      beds: { id: string; note: string }[];
      history: object[];
    };
    const word = { at: '2099-01-01T08:00:00.000Z', by: 'phone' };
    phone.beds[0]!.note = 'seen from the phone';
    phone.history = [
      { id: `beds ${phone.beds[0]!.id}`, gardenId: 'two-gums', fields: { note: word }, gone: null },
    ];
    await page.getByRole('link', { name: 'Notebook', exact: true }).click();
    await page.getByLabel('A note for today').fill('written here meanwhile');
    await page.getByRole('button', { name: 'Write it down' }).click();
    await page.getByText('written here meanwhile').waitFor();
    await page.getByRole('link', { name: 'Keep', exact: true }).click();
    await page.getByText('Last copy today, 1 entry new since.').waitFor();
    await page.getByLabel('A garden file').setInputFiles({
      name: 'phone.kilim.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(phone)),
    });
    const inside = page.getByRole('region', { name: 'What is in the file' });
    await inside.getByText('The file is newer than what is here.').waitFor();
    expect(await axe(page)).toEqual([]);
    await inside.getByRole('button', { name: 'Make both one' }).click();
    await page.getByText('Two Gums: both made one.').waitFor();
    const all = await everything(page);
    expect(all).toContain('seen from the phone');
    expect(all).toContain('written here meanwhile');
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByText('Undone: merging Two Gums.').waitFor();
    const back = JSON.parse(await everything(page)) as {
      beds: { note: string }[];
      notes: { text: string }[];
    };
    expect(back.beds.some((b) => b.note === 'seen from the phone')).toBe(false);
    expect(back.notes.some((n) => n.text === 'written here meanwhile')).toBe(true);
    expect(wrongs).toEqual([]);
  } finally {
    await stage.close();
  }
});

test('kinds, crops, ways and tools that this Kilim does not know are kept and shown, and no screen breaks on them', async () => {
  const stage = await openStage();
  const { page, base, wrongs } = stage;
  try {
    const odd = JSON.parse(readFileSync('demo/north-shore.kilim.json', 'utf8')) as Kept;
    const cover = (part: string) => odd.covers.find((c) => c.id === `north-shore-cover-${part}`)!;
    const foreign = (c: Kept['covers'][number], parts: Kept['covers'][number]['parts']) => {
      c.parts = parts;
      c.seed = parts.map((p) => ({ ...c.seed[0]!, speciesId: p.speciesId }));
    };
    foreign(cover('1-2026-09'), [
      { speciesId: 'moon-wheat', share: 0.5 },
      { speciesId: 'hairy-vetch', share: 0.5 },
    ]);
    foreign(cover('10-2027-04'), [{ speciesId: 'moon-wheat', share: 1 }]);
    Object.assign(cover('2-2026-08'), { method: 'moonlight', aims: [{ id: 'moonlight', strands: 2 }] });
    cover('2-2026-08').passes[0]!.kind = 'moonshine';
    cover('7-2026-09').wayId = 'flung';
    for (const p of odd.plantings) if (p.bedId.endsWith('bed-4')) p.cropId = 'moon-bean';
    odd.lots[0]!.speciesId = 'moon-wheat';
    odd.recipes[0]!.parts[0]!.speciesId = 'moon-wheat';
    odd.garden.kit.push('moon-hoe');
    await page.goto(`${base}/new`);
    await page.getByLabel('A garden file').setInputFiles({
      name: 'odd.kilim.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(odd)),
    });
    await page.getByRole('button', { name: 'Bring it in' }).click();
    await page.getByRole('img', { name: /Cloth of 14 beds/ }).waitFor();
    const see = async (path: string, words: RegExp | string) => {
      await page.goto(`${base}${path}`);
      await page.getByText(words).first().waitFor();
      expect(await page.getByText('This screen broke').count()).toBe(0);
    };
    const at = (part: string, step: string) => `/cover/north-shore-cover-${part}/${step}`;
    for (const step of ['sow', 'look', 'terminate', 'plant'])
      await see(at('1-2026-09', step), /Moon wheat: this Kilim does not know that kind/);
    await see(at('1-2026-09', 'seed'), /hairy vetch/i);
    await see(at('10-2027-04', 'seed'), 'Moon wheat');
    await see(at('10-2027-04', 'sow'), /does not know that kind/);
    await see(at('2-2026-08', 'terminate'), 'moonshine');
    await see(at('7-2026-09', 'look'), /Can be ended/);
    await see(at('4-2026-09', 'plant'), /Moon bean/);
    await see('/bed/north-shore-bed-4', 'Moon bean');
    for (const [path, words] of [
      ['/bench/shelf', /Moon wheat/],
      ['/bench-cards', /Weigh cards/],
      ['/notebook', /moon wheat/i],
      ['/ground', /Tools at hand/],
    ] as const)
      await see(path, words);
    expect(wrongs).toEqual([]);
  } finally {
    await stage.close();
  }
});

/** Files with one thing wrong each, and what is said of them. */
const FAULTS: Record<'garden' | 'beds', [says: RegExp, files: string[]][]> = {
  garden: [
    [
      /^This is not a Kilim garden file\. Choose the \.json file that Kilim exported\. Nothing was changed\.$/,
      ['another-format', 'blank-lines', 'cut-short', 'empty', 'error-page', 'half-utf16', 'list', 'nested']
        .concat(['only-a-number', 'only-null', 'zipped'])
        .map((f) => `${f}.json`),
    ],
    [
      /^The file does not say which form it is of \(.+ is no counting number\)\. /,
      ['form-below-nothing.json', 'form-in-words.json', 'prototype.json'],
    ],
    [/^This file was made by a newer Kilim \(form 999, known here \d+\)\. /, ['newer-form.json']],
    [/ damaged at garden: it is missing\. /, ['no-garden.json']],
    [/ damaged at beds: a list belongs here\. /, ['beds-are-no-list.json']],
    [/ damaged at covers › 1: a record belongs here\. /, ['a-hole-in-the-list.json']],
    [/ damaged at covers › 0 › sowOn: no such day\. /, ['thirtieth-of-february.json']],
    [/ damaged at beds › 0 › area_m2: it must be more than 0\. /, ['bed-of-no-size.json']],
    [/ damaged at beds › 0 › area_m2: a number belongs here\. /, ['endless-number.json']],
    [/ damaged at beds › 1 › id: ".+" is there twice\. /, ['same-id-twice.json']],
    [/ covers › .+ belongs to no bed in it\. /, ['cover-of-no-bed.json']],
    [/ damaged at garden › site › tmin_c › 6: the lowest is above the highest\. /, ['night-above-noon.json']],
    [/ -9999 mm is no rain of a month\. /, ['missing-mark.json']],
    [/ damaged at beds › 0 › life › since: no such day\. /, ['strip-without-a-day.json']],
    [/ damaged at garden › rotationRules › 0 › kind: it must be one of /, ['rule-of-no-kind.json']],
  ],
  beds: [
    [
      /^The file is no GeoJSON of bed outlines( \(feature 1\))?\. .+; no bed was added\.$/,
      ['a-line', 'no-features', 'not-json', 'null-ring', 'off-the-earth'].map((f) => `${f}.geojson`),
    ],
    [
      /^The shape in feature 1 covers \d+ m²\. That is no bed; check the coordinates\.$/,
      ['a-country.geojson'],
    ],
  ],
};

test('every faulty file of the corpus is refused in one clear sentence, and nothing is touched', async () => {
  const stage = await openStage();
  const { page, base, wrongs } = stage;
  const corpus = (of: string) => fileURLToPath(new URL(`./corpus/${of}`, import.meta.url));
  try {
    await page.goto(`${base}/open-demo/two-gums`);
    await page.getByRole('img', { name: /Cloth of/ }).waitFor();
    await page.goto(`${base}/keep`);
    await page.getByLabel('A garden file').waitFor();
    const before = await everything(page);
    for (const [of, path, label] of [
      ['garden', '/keep', 'A garden file'],
      ['beds', '/ground', 'Or bring many beds in at once'],
    ] as const) {
      await page.goto(`${base}${path}`);
      const told = FAULTS[of].flatMap(([, files]) => files);
      expect(told.sort()).toEqual(readdirSync(corpus(of)).sort());
      for (const [says, files] of FAULTS[of])
        for (const file of files) {
          await page.getByLabel(label).setInputFiles(`${corpus(of)}/${file}`);
          const alert = page.getByRole('alert').filter({ hasText: says });
          await alert.waitFor();
          expect(await alert.textContent()).toMatch(says);
          // Away with it, so that the next file's sentence is its own.
          if (of === 'beds') await page.getByRole('button', { name: 'Close the message' }).click();
          else await visit(page, '/bench/buy');
          await alert.waitFor({ state: 'detached' });
          await visit(page, path);
        }
    }
    expect(await everything(page)).toBe(before);
    expect(wrongs).toEqual([]);
  } finally {
    await stage.close();
  }
});

import { afterAll, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { axe, closeBrowser, openStage, setDay, visit } from './browser.ts';

afterAll(closeBrowser);

/** The demo garden with two long sheets, a board and six hens; sheets are wanted for three beds at once. */
function eightBeds(): string {
  const file = JSON.parse(readFileSync('demo/north-shore.kilim.json', 'utf8')) as {
    garden: { id: string; name: string; things: { id: string }[] };
  };
  file.garden.things = file.garden.things.filter((t) => t.id !== 'short-sheet');
  return JSON.stringify(file);
}

test('two sheets, a board and six hens over eight beds: clashes are solved on Shared things, taken back as one, and lived through', async () => {
  const stage = await openStage();
  const { page, base, wrongs } = stage;
  try {
    await page.goto(`${base}/new`);
    await page.getByLabel('A garden file').setInputFiles({
      name: 'eight-beds.kilim.json',
      mimeType: 'application/json',
      buffer: Buffer.from(eightBeds()),
    });
    await page.getByRole('button', { name: 'Bring it in' }).click();
    await page.getByRole('heading', { name: 'This week' }).waitFor();
    // The cloth warns of what the plans ask for.
    await page.getByRole('link', { name: /^Bed 2 wants the second sheet on 15 Apr/ }).click();
    await page.getByText('One clash', { exact: true }).waitFor();
    const clash = page.getByRole('region', { name: 'Clash, bed 2' });
    await clash.getByText(/^Bed 2 wants the second sheet on 15 Apr; bed 12 has it then/).waitFor();
    await clash.getByRole('button', { name: /^Borrow or buy a sheet of 1.8 m x 8.6 m or more/ }).waitFor();
    expect(await axe(page)).toEqual([]);
    await clash.getByRole('button', { name: /^Long sheet over beds 2 and 1 and their path/ }).click();
    await page.getByText('No two beds want the same thing').waitFor();
    // One undo takes all of it back, and one redo brings it again.
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByText('One clash', { exact: true }).waitFor();
    await page.getByRole('button', { name: 'Redo' }).click();
    await page.getByText('No two beds want the same thing').waitFor();

    // Lived through: the sheet is laid over bed 2 on its day, with the weights its size and wind ask for.
    await visit(page, '/cover/north-shore-cover-2-2026-08/terminate');
    const plan = page.getByRole('region', { name: 'Work plan' });
    await plan.getByText('1. Flatten').waitFor();
    await setDay(page, 'Season clock: the pretended date', '2027-04-15');
    // The plan's own day has turned as well before anything is logged.
    await page.waitForFunction(
      () => [...document.querySelectorAll('input')].filter((i) => i.value === '15 Apr 2027').length >= 2,
    );
    await plan.getByText(/^Long sheet: .* over on every side\. For gusts of 60 km\/h \d+ weights/).waitFor();
    await page.getByRole('button', { name: 'Log it done: flatten' }).click();
    await plan.getByText('It took').waitFor();
    await plan.getByRole('button', { name: / min$/ }).first().click();
    await plan.getByLabel('Minutes: flatten').waitFor();
    await page.getByRole('button', { name: 'Log it done: lay the sheet' }).click();
    await page.getByText(/^Lift the sheet, \d+ May$/).waitFor();
    await page.getByRole('heading', { name: 'Looks that prove it' }).waitFor();
    await page.getByText(/^Plan B: /).waitFor();
    // It lies there now, and the board says so.
    await page.getByRole('link', { name: 'Shared', exact: true }).click();
    await page.getByRole('img', { name: /Long sheet: bed 2 from 15 Apr to \d+ May/ }).waitFor();
    expect(await axe(page)).toEqual([]);
    expect(wrongs).toEqual([]);
  } finally {
    await stage.close();
  }
});

test('a knot is dragged by mouse, by touch and with keys; odds and figures follow, and what was dragged can be settled on', async () => {
  const stage = await openStage();
  const { page, base, wrongs } = stage;
  try {
    await page.goto(`${base}/open-demo/north-shore`);
    await page.getByRole('heading', { name: 'This week' }).waitFor();
    await visit(page, '/cover/north-shore-cover-6-2026-09/terminate');
    const way = page.getByRole('region', { name: 'Cut twice', exact: true });
    const knot = way.getByRole('slider').first();
    const dayOfKnot = () => knot.getAttribute('aria-valuetext');
    const odds = async () =>
      Number(
        /^(\d+)/.exec(
          (await way
            .getByText(/of 100 ready/)
            .locator('..')
            .textContent())!,
        )![1],
      );
    await knot.waitFor();
    const [day0, odds0] = [await dayOfKnot(), await odds()];
    expect(odds0).toBeGreaterThan(85);
    // By mouse, up: into the leafy rye, which a cut does not kill.
    const box = (await knot.boundingBox())!;
    const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
    await page.mouse.move(at.x, at.y);
    await page.mouse.down();
    await page.mouse.move(at.x, at.y - 90, { steps: 6 });
    await page.mouse.up();
    expect(await dayOfKnot()).not.toBe(day0);
    await way.getByText(/of 100 plants would live|too late|less sure/).waitFor();
    await page.waitForFunction(
      (before) =>
        Number(
          /^(\d+)/.exec(
            document.querySelector('[aria-label="Cut twice"] p[aria-live]')?.textContent ?? '',
          )?.[1],
        ) < before,
      odds0 - 20,
    );
    // With keys, a week at a time up and down, then by days to the day before the one it had.
    const low = await odds();
    await knot.focus();
    await page.keyboard.press('PageDown');
    await page.keyboard.press('PageUp');
    for (let i = 0; i < 60 && (await dayOfKnot()) !== day0; i++) await page.keyboard.press('ArrowDown');
    expect(await dayOfKnot()).toBe(day0);
    await page.keyboard.press('ArrowUp');
    expect(await dayOfKnot()).not.toBe(day0);
    await page.waitForFunction(
      (before) =>
        Number(
          /^(\d+)/.exec(
            document.querySelector('[aria-label="Cut twice"] p[aria-live]')?.textContent ?? '',
          )?.[1],
        ) > before,
      low + 20,
    );
    const settled = await dayOfKnot();
    await page.getByRole('button', { name: 'End it this way: cut, then cut again' }).click();
    await page.getByText(`Cut, then cut again, ${settled!}`, { exact: true }).waitFor();
    expect(await axe(page)).toEqual([]);

    // What good growers do differently is asked where it decides something, and obeyed.
    await page.getByRole('button', { name: 'Sheet', exact: true }).click();
    const asked = page.getByRole('region', { name: 'Mow before the sheet goes on?' });
    await asked
      .getByText(/^\d+ of 100 ready, /)
      .nth(1)
      .waitFor();
    expect(await axe(page)).toEqual([]);
    await asked.getByLabel('Only on bed 6').check();
    await asked.getByRole('button', { name: 'Mow first' }).click();
    await asked.waitFor({ state: 'detached' });
    await page
      .getByRole('region', { name: 'Plan: Flatten and lay an opaque sheet' })
      .getByRole('heading', { name: 'Mow', exact: true })
      .waitFor();
    // Planting in waves: three lanes, each with a day of its own.
    await page.getByText('In lanes, to plant in waves').click();
    await page.getByRole('heading', { name: /^Lane 3, / }).waitFor();

    // By touch, on a phone: one way at a time.
    await page.setViewportSize({ width: 390, height: 844 });
    await knot.scrollIntoViewIfNeeded();
    const touched = await dayOfKnot();
    const client = await stage.context.newCDPSession(page);
    const b = (await knot.boundingBox())!;
    const p = { x: b.x + 40, y: b.y + b.height / 2 };
    await client.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [p] });
    for (let k = 1; k <= 5; k++)
      await client.send('Input.dispatchTouchEvent', {
        type: 'touchMove',
        touchPoints: [{ x: p.x, y: p.y - k * 8 }],
      });
    await client.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
    await page.waitForFunction(
      (before) =>
        document.querySelector('[aria-label="Cut twice"] [role=slider]')?.getAttribute('aria-valuetext') !==
        before,
      touched,
    );
    expect(await axe(page)).toEqual([]);
    expect(wrongs).toEqual([]);
  } finally {
    await stage.close();
  }
});

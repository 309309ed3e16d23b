import { closeBrowser, openStage } from '../e2e/browser.ts';

/** How smoothly 100 000 seeds are simulated and drawn in the throwing yard, in the real browser. Frames are timed by the yard's worker. */
const ROUNDS = 3;
for (let k = 0; k < ROUNDS; k++) {
  const stage = await openStage({ width: 1280, height: 900 });
  const { page, base } = stage;
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await page.goto(`${base}/open-demo/north-shore`);
  await page.getByText('This week').waitFor();
  await page.goto(`${base}/yard`);
  await page.getByRole('button', { name: 'Throw 100 000' }).click();
  console.log(`100 000 seeds in the yard: ${await page.getByTestId('frames').textContent()}`);
  await stage.close();
}
await closeBrowser();

import { readFileSync } from 'node:fs';
import { closeBrowser, openStage } from '../e2e/browser.ts';

/**
 * Frames of the Cloth with sixty beds and five years of history, generated from the demo garden's beds: scrolled down and across.
 * Prints the middle and the slowest tenth of frame times; nothing passes or fails here.
 */
const BEDS = 60;
const YEARS = 5;

interface Row {
  id: string;
  [key: string]: unknown;
}
interface GardenFile {
  garden: Row & { name: string };
  beds: Row[];
  plantings: Row[];
  covers: Row[];
  looks: Row[];
  notes: Row[];
  lots: Row[];
  recipes: Row[];
  [key: string]: unknown;
}

function bigGarden(): string {
  const file = JSON.parse(
    readFileSync(new URL('../demo/north-shore.kilim.json', import.meta.url), 'utf8'),
  ) as GardenFile;
  const shift = (value: unknown, years: number): unknown =>
    typeof value === 'string' && /^\d{4}-\d{2}-\d{2}$/.test(value)
      ? `${Number(value.slice(0, 4)) - years}${value.slice(4) === '-02-29' ? '-02-28' : value.slice(4)}`
      : Array.isArray(value)
        ? value.map((v) => shift(v, years))
        : typeof value === 'object' && value !== null
          ? Object.fromEntries(Object.entries(value).map(([k, v]) => [k, shift(v, years)]))
          : value;
  // The shelf and the weather stay behind with their own garden.
  const none = {
    beds: [],
    weather: [],
    plantings: [],
    covers: [],
    looks: [],
    notes: [],
    lots: [],
    recipes: [],
  };
  const out: GardenFile = { ...file, ...none };
  out.garden = { ...file.garden, id: 'big', name: 'Sixty beds' };
  for (let i = 0; i < BEDS; i++) {
    const model = file.beds[i % file.beds.length]!;
    const bedId = `bed${i}`;
    out.beds.push({ ...model, id: bedId, gardenId: 'big', name: `${i + 1}`, order: i });
    for (let y = 0; y < YEARS; y++) {
      const tag = (id: unknown) => (id ? `${String(id)}-${i}-${y}` : id);
      for (const p of file.plantings.filter((r) => r.bedId === model.id))
        out.plantings.push({ ...(shift(p, y) as Row), id: tag(p.id) as string, gardenId: 'big', bedId });
      for (const c of file.covers.filter((r) => r.bedId === model.id)) {
        const row: Row = { ...(shift(c, y) as Row), id: tag(c.id) as string, gardenId: 'big', bedId };
        row.nextPlantingId = tag(c.nextPlantingId);
        row.seed = (row.seed as object[]).map((part) => ({ ...part, lotId: null }));
        // Former years are over.
        if (y > 0) row.verdict = 'dead';
        out.covers.push(row);
      }
    }
  }
  return JSON.stringify(out);
}

const stage = await openStage({ width: 1280, height: 800 });
const { page, base } = stage;
await page.goto(`${base}/open-demo/north-shore`);
await page.getByRole('link', { name: 'Keep' }).click();
await page
  .getByLabel('A garden file')
  .setInputFiles({ name: 'big.json', mimeType: 'application/json', buffer: Buffer.from(bigGarden()) });
await page.getByRole('button', { name: 'Bring it in' }).click();
await page
  .getByRole('img', { name: /Cloth of 60 beds/ })
  .or(page.getByText('Sixty beds is back.'))
  .first()
  .waitFor();
await page.goto(base);
await page.getByRole('img', { name: /Cloth of 60 beds/ }).waitFor();
const started = performance.now();
await page.reload();
await page.getByRole('img', { name: /Cloth of 60 beds/ }).waitFor();
console.log(`60 beds x 5 years, opened in ${(performance.now() - started).toFixed(0)} ms`);
await page.getByRole('button', { name: 'five years' }).click();
await page.waitForTimeout(2000);

async function frames(name: string, dx: number, dy: number) {
  // As text: the runner would otherwise rewrite the function in a way that the page does not know.
  const times = await page.evaluate<number[]>(`new Promise((resolve) => {
    const box = document.querySelector('[aria-label="All beds, time running downward"]');
    box.scrollTo(0, 0);
    const times = [];
    let last = 0;
    requestAnimationFrame(function tick(t) {
      if (last) times.push(t - last);
      last = t;
      box.scrollBy(${dx}, ${dy});
      if (times.length < 120) requestAnimationFrame(tick);
      else resolve(times);
    });
  })`);
  times.sort((a, b) => a - b);
  const at = (p: number) => times[Math.floor(times.length * p)]!.toFixed(1);
  console.log(`${name}: frame ${at(0.5)} ms in the middle, ${at(0.9)} ms in the slowest tenth`);
}
await frames('scrolling down while forecasts come in', 0, 24);
await page.waitForTimeout(30_000);
await frames('scrolling down', 0, 24);
await frames('scrolling across', 24, 0);
await stage.close();
await closeBrowser();

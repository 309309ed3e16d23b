import { readFileSync } from 'node:fs';
import { dayOf } from '../src/core/calendar/day.ts';
import { jobsOf } from '../src/core/jobs/jobs.ts';
import { forecastCover } from '../src/core/plan/forecast.ts';
import { readGardenFile } from '../src/records/files/gardenFile.ts';
import { forecastInput } from '../src/ring/asked.ts';
import { calibrate, tally, targetIds } from './calibration/run.ts';

/** The core without a browser. `npm run kilim -- calibrate [--only T01,T14,T44] [--years 60]`, `jobs FILE`, `forecast FILE COVER-ID`. */
const [command, ...rest] = process.argv.slice(2);
const option = (name: string): string | undefined => {
  const at = rest.indexOf(`--${name}`);
  return at >= 0 ? rest[at + 1] : undefined;
};

function gardenFrom(path: string | undefined) {
  const read = readGardenFile(readFileSync(path ?? '', 'utf8'));
  if (!read.ok) throw new Error(`${path}: ${read.failure.code} ${read.failure.where ?? ''}`);
  return read.value;
}

function run(): void {
  if (command === 'calibrate') {
    const only = option('only')?.split(',');
    const unknown = only?.find((id) => !targetIds().includes(id));
    if (unknown) throw new Error(`no target ${unknown}; there are ${targetIds().join(' ')}`);
    const lines = calibrate(Number(option('years') ?? 60), only);
    for (const l of lines)
      console.log(
        [
          l.id.padEnd(5),
          l.priority,
          l.what.padEnd(10),
          l.verdict.padEnd(4),
          `observed ${l.observed}`.padEnd(34),
          `computed ${l.computed}`.padEnd(44),
          l.where,
        ].join('  '),
      );
    for (const t of tally(lines)) console.log(`${t.priority} ${t.what}: ${t.hits} of ${t.of} hit`);
    return;
  }
  if (command === 'jobs') {
    const c = gardenFrom(rest[0]);
    console.log(
      JSON.stringify(
        jobsOf(c.plantings, c.covers, c.looks, dayOf(option('today') ?? c.garden.seasonClock ?? '')),
        null,
        1,
      ),
    );
    return;
  }
  if (command === 'forecast') {
    const c = gardenFrom(rest[0]);
    const cover = c.covers.find((x) => x.id === rest[1]);
    const bed = c.beds.find((b) => b.id === cover?.bedId);
    if (!cover || !bed)
      throw new Error(`no cover ${rest[1]}; there are ${c.covers.map((x) => x.id).join(' ')}`);
    const today = option('today') ?? c.garden.seasonClock ?? '';
    console.log(
      JSON.stringify(
        forecastCover(
          forecastInput(c.garden, bed, cover, c.plantings, c.looks, today, Number(option('years') ?? 60)),
        ),
        null,
        1,
      ),
    );
    return;
  }
  throw new Error(
    'kilim calibrate [--only IDS] [--years N] | jobs FILE [--today DATE] | forecast FILE COVER [--today DATE] [--years N]',
  );
}

try {
  run();
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
}

import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { build, chromiumMeanwhile, install, root, run } from './prepare.mjs';

// Everything that must hold before a change lands: rules, unit tests, journeys. The last line is `N passed, N failed`.
const fetching = chromiumMeanwhile();
install();
const path = await fetching;
// The journeys walk through the same application over fewer plausible years: two busy cores take minutes for two hundred on every screen.
const BUILT = 'dist/journeys';
build(BUILT, { VITE_PLAUSIBLE_YEARS: '16' });
mkdirSync(join(root, '.cache'), { recursive: true });

/** Runs the tests of some projects and counts them, so many files at a time. */
function project(workers, ...names) {
  const report = join(root, `.cache/jest-${names[0]}.json`);
  rmSync(report, { force: true });
  const args = [
    '--experimental-vm-modules',
    '--disable-warning=ExperimentalWarning',
    'node_modules/jest/bin/jest.js',
    '--selectProjects',
    ...names,
    `--maxWorkers=${workers}`,
    '--passWithNoTests',
    '--json',
    `--outputFile=${report}`,
    ...process.argv.slice(2),
  ];
  run(process.execPath, args, {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: {
      ...process.env,
      CHROMIUM: path,
      BUILT,
      // For the workers, which do not take their parent's flags.
      NODE_OPTIONS: '--experimental-vm-modules --disable-warning=ExperimentalWarning',
    },
  });
  try {
    const result = JSON.parse(readFileSync(report, 'utf8'));
    return [result.numPassedTests, result.numFailedTests + result.numRuntimeErrorTestSuites];
  } catch {
    console.error(`The tests of ${names.join(' and ')} left no report.`);
    return [0, 1];
  }
}

// One after the other: beside each other they take the cores from one another and all of them longer.
const checks = run(process.execPath, ['scripts/check.mjs']);
// A small machine has two cores; a journey that waits for its page leaves room for a third.
const counts = [project(2, 'unit', 'components'), project(3, 'journeys')];
let passed = counts.reduce((sum, [n]) => sum + n, 0);
let failed = counts.reduce((sum, [, n]) => sum + n, 0);
const size = run(process.execPath, ['node_modules/size-limit/bin.js']);
if (checks === 0 && size === 0) passed++;
else {
  failed++;
  console.error('npm run check failed; see above.');
}
if (passed === 0) failed = Math.max(1, failed);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);

import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { build, chromium, install, root, run } from './prepare.mjs';

// Everything that must hold before a change lands: rules, unit tests, journeys. The last line is `N passed, N failed`.
install();
const path = chromium();
// The journeys walk through the same application over fewer plausible years: two busy cores take minutes for two hundred on every screen.
const BUILT = 'dist/journeys';
build(BUILT, { VITE_PLAUSIBLE_YEARS: '24' });
mkdirSync(join(root, '.cache'), { recursive: true });

/** Runs the tests of one project, one file after the other, and counts them. What it prints is kept back while another prints. */
function project(name, quiet) {
  const report = join(root, `.cache/jest-${name}.json`);
  rmSync(report, { force: true });
  const args = [
    '--experimental-vm-modules',
    '--disable-warning=ExperimentalWarning',
    'node_modules/jest/bin/jest.js',
    '--selectProjects',
    name,
    '--runInBand',
    '--passWithNoTests',
    '--json',
    `--outputFile=${report}`,
    ...process.argv.slice(2),
  ];
  return new Promise((resolve) => {
    const said = [];
    const child = spawn(process.execPath, args, {
      cwd: root,
      env: { ...process.env, CHROMIUM: path, BUILT },
      stdio: ['ignore', 'ignore', quiet ? 'pipe' : 'inherit'],
    });
    child.stderr?.on('data', (part) => said.push(part));
    child.on('close', () => {
      process.stderr.write(Buffer.concat(said));
      try {
        const result = JSON.parse(readFileSync(report, 'utf8'));
        resolve([result.numPassedTests, result.numFailedTests + result.numRuntimeErrorTestSuites]);
      } catch {
        console.error(`The tests of ${name} left no report.`);
        resolve([0, 1]);
      }
    });
  });
}

/** The rules, with all that they print. */
const rules = () =>
  new Promise((resolve) => {
    const child = spawn(process.execPath, ['scripts/check.mjs'], {
      cwd: root,
      env: { ...process.env, BESIDE: '1' },
      stdio: ['ignore', 'inherit', 'inherit'],
    });
    child.on('close', (code) => resolve(code ?? 1));
  });

// Journeys wait for browsers most of the time: the rules and then the unit tests run beside them in what they leave of two cores.
let checks = 1;
const counts = await Promise.all([
  project('journeys', false),
  rules().then((code) => {
    checks = code;
    return project('unit', true);
  }),
]);
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

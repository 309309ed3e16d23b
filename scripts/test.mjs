import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { build, chromium, install, root, run } from './prepare.mjs';

// Everything that must hold before a change lands: rules, unit tests, journeys. The last line is `N passed, N failed`.
install();
const checks = run(process.execPath, ['scripts/check.mjs']);
const path = chromium();
build();
const report = join(root, '.cache/jest.json');
mkdirSync(join(root, '.cache'), { recursive: true });
rmSync(report, { force: true });
const args = [
  '--experimental-vm-modules',
  '--disable-warning=ExperimentalWarning',
  'node_modules/jest/bin/jest.js',
  // Two files side by side: a journey waits for its page about as often as it computes.
  '--maxWorkers=2',
  '--json',
  `--outputFile=${report}`,
  ...process.argv.slice(2),
];
run(process.execPath, args, { env: { ...process.env, CHROMIUM: path } });
let [passed, failed] = [0, 1];
try {
  const result = JSON.parse(readFileSync(report, 'utf8'));
  passed = result.numPassedTests;
  failed = result.numFailedTests + result.numRuntimeErrorTestSuites;
} catch {
  console.error('The tests left no report.');
}
const size = run(process.execPath, ['node_modules/size-limit/bin.js']);
if (checks === 0 && size === 0) passed++;
else {
  failed++;
  console.error('npm run check failed; see above.');
}
if (passed === 0) failed = Math.max(1, failed);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);

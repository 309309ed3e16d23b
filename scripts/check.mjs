import { install, run } from './prepare.mjs';

// One word for all rules a machine can check.
install();
const bin = (name) => [`node_modules/.bin/${name}`];
const steps = [
  ['types', ['node_modules/@typescript/native/bin/tsc', '--noEmit', '-p', 'tsconfig.json']],
  [
    'core without a browser',
    ['node_modules/@typescript/native/bin/tsc', '--noEmit', '-p', 'tsconfig.core.json'],
  ],
  ['lint', ['node_modules/eslint/bin/eslint.js', '--max-warnings=0', '.']],
  [
    'layers',
    [
      ...bin('depcruise'),
      'src',
      'server',
      'cli',
      '--config',
      '.dependency-cruiser.cjs',
      '--output-type',
      'err',
    ],
  ],
  ['unused code', [...bin('knip')]],
  ['formatting', [...bin('prettier'), '--check', '--log-level', 'warn', '.']],
];
let failed = 0;
for (const [name, args] of steps) {
  const code = run(process.execPath, args);
  console.log(`${code === 0 ? 'ok  ' : 'FAIL'} ${name}`);
  if (code !== 0) failed++;
}
process.exit(failed === 0 ? 0 : 1);

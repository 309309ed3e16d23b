import { spawn } from 'node:child_process';
import { install, root } from './prepare.mjs';

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
  ['formatting', [...bin('oxfmt'), '--list-different']],
];

/** One rule's check with all that it prints. */
const check = ([name, args]) =>
  new Promise((resolve) => {
    const child = spawn(process.execPath, args, { cwd: root });
    let said = '';
    child.stdout.on('data', (chunk) => (said += chunk));
    child.stderr.on('data', (chunk) => (said += chunk));
    child.on('close', (code) => resolve({ name, code, said }));
  });

// Two at a time, the slowest first: a small machine has two cores.
const waiting = [...steps].sort((a, b) => Number(b[0] === 'lint') - Number(a[0] === 'lint'));
let failed = 0;
const work = async () => {
  for (let step = waiting.shift(); step; step = waiting.shift()) {
    const { name, code, said } = await check(step);
    if (code !== 0) {
      failed++;
      console.log(said);
    }
    console.log(`${code === 0 ? 'ok  ' : 'FAIL'} ${name}`);
  }
};
await Promise.all([work(), work()]);
process.exit(failed === 0 ? 0 : 1);

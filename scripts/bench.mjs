import { buildSync } from 'esbuild';
import { join } from 'node:path';
import { root, run } from './prepare.mjs';

// Speed is measured on the core as it ships: joined into one piece, as the browser's worker gets it.
const outfile = join(root, '.cache/bench.mjs');
buildSync({
  entryPoints: [join(root, 'bench/run.ts')],
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'es2022',
  external: ['tinybench'],
  outfile,
});
process.exit(run(process.execPath, ['--expose-gc', '--max-semi-space-size=256', outfile]));

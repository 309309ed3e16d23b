import { join } from 'node:path';
import { build } from 'vite';
import { root, run } from './prepare.mjs';

// Speed is measured on the core as it ships: joined and pressed as the browser's worker gets it (constants stay constants).
const outDir = join(root, '.cache/bench');
// Each in one piece: what is shared out over files is exported, and an engine looks that up anew.
for (const name of ['run', 'half'])
  await build({
    root,
    configFile: false,
    publicDir: false,
    logLevel: 'error',
    build: {
      ssr: true,
      outDir,
      emptyOutDir: name === 'run',
      minify: true,
      target: 'es2022',
      rolldownOptions: {
        input: { [name]: join(root, `bench/${name}.ts`) },
        output: { entryFileNames: '[name].mjs', topLevelVar: false },
      },
    },
    ssr: { noExternal: ['pure-rand'] },
  });
process.exit(run(process.execPath, ['--expose-gc', '--max-semi-space-size=256', join(outDir, 'run.mjs')]));

import { buildSync } from 'esbuild';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';

/**
 * Bundles a test with the project's own modules into one. Jest gives every module a sandbox of its own, in which each import and each
 * look at `Math` costs a search: the core's daily loops ran six times slower there than anywhere they are used.
 */
const run = randomUUID();
const { dependencies, devDependencies } = JSON.parse(
  readFileSync(new URL('../package.json', import.meta.url), 'utf8'),
);
/** Packages stay outside, but for the source of chance, which the daily weather calls on. */
const external = Object.keys({ ...dependencies, ...devDependencies })
  .filter((name) => name !== 'pure-rand')
  .flatMap((name) => [name, `${name}/*`]);
const GLOBALS = 'const { Math, Float64Array, Float32Array, Number, Object, Array } = globalThis;';

export default {
  process(_text, path) {
    const { outputFiles } = buildSync({
      entryPoints: [path],
      bundle: true,
      write: false,
      format: 'esm',
      platform: 'node',
      target: 'es2022',
      external,
      jsx: 'automatic',
      sourcemap: 'inline',
      sourcesContent: false,
      banner: { js: GLOBALS },
    });
    return { code: outputFiles[0].text };
  },
  // What a test imports may have changed since: nothing is kept from one run to the next.
  getCacheKey: (_text, path) => `${run} ${path}`,
};

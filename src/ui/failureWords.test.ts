import { expect, test } from '@jest/globals';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { failureWords } from './failureWords.ts';

const files = (dir: string): string[] =>
  readdirSync(dir, { withFileTypes: true }).flatMap((e) =>
    e.isDirectory() ? files(join(dir, e.name)) : /(?<!\.test)\.tsx?$/.test(e.name) ? [join(dir, e.name)] : [],
  );

test('every failure that the code can return has words of its own', () => {
  const codes = new Set<string>();
  for (const file of files('src'))
    for (const [, code] of readFileSync(file, 'utf8').matchAll(/\bfail\(\s*'([a-z-]+)'/g)) codes.add(code!);
  // What a gardener has called off is told to nobody.
  codes.delete('cancelled');
  expect(codes.size).toBeGreaterThan(40);
  const unknown = failureWords({ code: 'x' }).replace('(x)', '');
  expect([...codes].filter((code) => failureWords({ code }).replace(`(${code})`, '') === unknown)).toEqual(
    [],
  );
});

test('facts stand in the sentence, and it says what to do', () => {
  const words = failureWords({
    code: 'crops-overlap',
    where: 'Leek',
    facts: { from: '1 May 2027', to: '3 Oct 2027' },
  });
  expect(words).toMatch(/Leek .* 1 May 2027 to 3 Oct 2027/);
  expect(words).toMatch(/Move one of the dates/);
});

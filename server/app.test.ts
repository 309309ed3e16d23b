import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { type Server } from 'node:http';
import { type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { makeApp } from './app.ts';

let server: Server;
let base: string;
beforeAll(async () => {
  const dist = mkdtempSync(join(tmpdir(), 'kilim-'));
  mkdirSync(join(dist, 'assets'));
  writeFileSync(join(dist, 'index.html'), '<!doctype html>page');
  writeFileSync(join(dist, 'assets/a.js'), '1');
  server = await new Promise((resolve) => {
    const s = makeApp(dist).listen(0, '127.0.0.1', () => resolve(s));
  });
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => new Promise((resolve) => server.close(resolve)));

test('every answer forbids what is inline or from elsewhere', async () => {
  const policy = (await fetch(base)).headers.get('content-security-policy')!;
  expect(policy).toContain("default-src 'none'");
  expect(policy).not.toMatch(/unsafe|https?:/);
});

test('screens fall back to the page, missing files do not, assets are kept for good and the page is not', async () => {
  const deep = await fetch(`${base}/cover/x/sow`);
  expect([deep.status, await deep.text()]).toEqual([200, '<!doctype html>page']);
  expect(deep.headers.get('cache-control')).toBe('no-cache');
  expect((await fetch(`${base}/gone.js`)).status).toBe(404);
  expect((await fetch(`${base}/assets/a.js`)).headers.get('cache-control')).toContain('immutable');
});

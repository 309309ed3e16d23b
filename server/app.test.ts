import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { request, type Server } from 'node:http';
import { type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { makeApp } from './app.ts';
import { SimulatedScale } from './scale.ts';

let server: Server;
let base: string;
const dist = mkdtempSync(join(tmpdir(), 'kilim-'));
beforeAll(async () => {
  mkdirSync(join(dist, 'assets'));
  writeFileSync(join(dist, 'index.html'), '<!doctype html>page');
  writeFileSync(join(dist, 'assets/a.js'), '1');
  server = await new Promise((resolve) => {
    const s = makeApp(dist).listen(0, '127.0.0.1', () => resolve(s));
  });
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(async () => {
  await new Promise((resolve) => server.close(resolve));
  rmSync(dist, { recursive: true });
});

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

const normals =
  'tmax=7,8,10,13,16,19,21,21,18,14,10,8&tmin=2,2,3,5,8,11,13,13,11,8,5,3&rain=80,60,60,50,55,55,60,70,75,90,90,90';

test('the weather stand-in says that it is simulated, gives ten days in order, the same twice, and names a bad question', async () => {
  const ask = async (from: string) =>
    (await fetch(`${base}/api/forecast?from=${from}&${normals}`)).json() as Promise<{
      simulated: boolean;
      days: { on: string; tmin_c: number; tmax_c: number; rain_mm: number }[];
    }>;
  const got = await ask('2027-04-13');
  expect([got.simulated, got.days.length, got.days[0]!.on, got.days[9]!.on]).toEqual([
    true,
    10,
    '2027-04-14',
    '2027-04-23',
  ]);
  expect(got.days.every((d) => d.tmax_c > d.tmin_c && d.rain_mm >= 0 && d.tmax_c > 2 && d.tmax_c < 26)).toBe(
    true,
  );
  expect(await ask('2027-04-13')).toEqual(got);
  expect(await ask('2027-04-14')).not.toEqual(got);
  const bad = await fetch(`${base}/api/forecast?from=soon&${normals}`);
  expect([bad.status, await bad.json()]).toEqual([400, { error: 'from must be a date like 2027-04-13' }]);
  expect((await fetch(`${base}/api/oracle`)).status).toBe(404);
});

test('the scale settles on what was poured, tares it away, and never weighs less than nothing', () => {
  const scale = new SimulatedScale();
  const settled = () => Array.from({ length: 20 }, () => scale.tick()).at(-1)!;
  scale.pour(120);
  expect(scale.tick().steady).toBe(false);
  expect(settled().grams).toBeCloseTo(120, 0);
  scale.tare();
  scale.pour(7.3);
  expect(Math.abs(settled().grams - 7.3)).toBeLessThanOrEqual(0.11);
  scale.pour(-999);
  expect(settled()).toMatchObject({ simulated: true, grams: expect.closeTo(-120, 0) });
});

/** A raw request: fetch writes its own Host. */
const raw = (headers: Record<string, string>, method = 'GET', path = '/', body?: string) =>
  new Promise<{ status: number; text: string }>((resolve, reject) => {
    const { port } = server.address() as AddressInfo;
    const r = request({ host: '127.0.0.1', port, path, method, headers }, (res) => {
      let text = '';
      res.on('data', (part: Buffer) => (text += part.toString()));
      res.on('end', () => resolve({ status: res.statusCode!, text }));
    });
    r.on('error', reject);
    r.end(body);
  });

test.each([
  ['localhost:4173', 200],
  ['127.0.0.1', 200],
  ['[::1]:80', 200],
  ['evil.example', 421],
  ['localhost.evil.example:4173', 421],
  ['localhost:4173/x', 421],
])('it answers to its own names only: %s', async (host, status) => {
  const got = await raw({ host });
  expect(got.status).toBe(status);
  if (status !== 200) expect(got.text).toMatch(/^This server does not answer to that name\./);
});

test('what changes something is taken from its own pages alone', async () => {
  const { port } = server.address() as AddressInfo;
  const host = `localhost:${port}`;
  const tare = (more: Record<string, string>) =>
    raw({ host, ...more }, 'POST', '/api/scale/tare').then((r) => r.status);
  expect(await tare({ origin: `http://${host}`, 'sec-fetch-site': 'same-origin' })).toBe(204);
  expect(await tare({})).toBe(204);
  expect(await tare({ origin: 'http://evil.example' })).toBe(403);
  expect(await tare({ origin: 'null' })).toBe(403);
  expect(await tare({ 'sec-fetch-site': 'cross-site' })).toBe(403);
});

test('what goes wrong is said in a sentence, with no path and no line of code', async () => {
  const host = 'localhost';
  const json = { host, 'content-type': 'application/json' };
  for (const got of [
    await raw(json, 'POST', '/api/scale/pour', '{"grams":'),
    await raw({ ...json, 'content-length': '5000' }, 'POST', '/api/scale/pour', 'x'.repeat(5000)),
    await raw({ host }, 'GET', '/%E0%A4%A'),
    await raw({ host }, 'GET', '/assets/%00.js'),
  ]) {
    expect(got.status).toBeGreaterThanOrEqual(400);
    expect(got.status).toBeLessThan(500);
    expect(got.text).not.toMatch(/\/work|node_modules|at .*\d+:\d+|Error/);
    expect(got.text.length).toBeLessThan(120);
  }
});

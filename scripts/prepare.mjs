// Plain Node without dependencies: makes a fresh machine ready. Installs packages when the lock changed, finds or installs Chromium.
import { execFileSync, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const cache = join(root, '.cache');

export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  return done.status ?? 1;
}

export function install() {
  const hash = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const stamp = join(cache, 'installed');
  const known =
    existsSync(stamp) && existsSync(join(root, 'node_modules')) ? readFileSync(stamp, 'utf8') : '';
  if (known === hash) return;
  console.log('Installing packages, this takes a minute…');
  if (run('npm', ['ci', '--no-fund', '--no-audit', '--loglevel=error']) !== 0) process.exit(1);
  mkdirSync(cache, { recursive: true });
  writeFileSync(stamp, hash);
}

/** Builds into `dist`, or into another folder with settings of its own. */
export function build(into = 'dist', settings = {}) {
  const args = [
    'node_modules/vite/bin/vite.js',
    'build',
    '--logLevel',
    'warn',
    '--outDir',
    into,
    '--emptyOutDir',
  ];
  if (run(process.execPath, args, { env: { ...process.env, ...settings } }) !== 0) process.exit(1);
}

const PLACES = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'];

export function chromium() {
  const named = process.env.CHROMIUM;
  if (named && existsSync(named)) return named;
  const found = () => PLACES.find((p) => existsSync(p));
  if (found()) return found();
  console.log('Installing Chromium from Debian packages for the journeys…');
  const sudo = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
  const apt = (...args) =>
    execFileSync([...sudo, 'apt-get'][0], [...sudo, 'apt-get', ...args].slice(1), { stdio: 'inherit' });
  apt('update', '-qq');
  apt('install', '-y', '-qq', '--no-install-recommends', 'chromium');
  const path = found();
  if (!path) throw new Error('Chromium is needed for the journeys: install it or name it in CHROMIUM.');
  return path;
}

// Plain Node without dependencies: makes a fresh machine ready. Installs packages when the lock changed, finds or installs Chromium.
import { execFileSync, spawn, spawnSync } from 'node:child_process';
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

/** The shell draws no window at all: the journeys take a fifth less of the processor's time in it. */
const SHELL = '/usr/bin/chromium-headless-shell';
const WHOLE = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'];

/** Where Chromium is. Fetches its shell from Debian's packages where it is missing and that can be done; any other will do. */
export function chromium() {
  const named = process.env.CHROMIUM;
  if (named && existsSync(named)) return named;
  if (existsSync(SHELL)) return SHELL;
  const whole = WHOLE.find((path) => existsSync(path));
  const administers = process.getuid?.() === 0;
  if (whole && !administers) return whole;
  const apt = (...args) =>
    execFileSync(administers ? 'apt-get' : 'sudo', [...(administers ? [] : ['-n', 'apt-get']), ...args], {
      stdio: ['ignore', 'ignore', 'inherit'],
    });
  try {
    apt('update', '-qq');
    apt('install', '-y', '-qq', '--no-install-recommends', 'chromium-headless-shell');
  } catch (error) {
    if (!whole) throw error;
  }
  const path = [SHELL, whole].find((p) => p && existsSync(p));
  if (!path) throw new Error('Chromium is needed for the journeys: install it or name it in CHROMIUM.');
  return path;
}

/** The same, found and fetched while other things go on. */
export const chromiumMeanwhile = () =>
  new Promise((resolve, reject) => {
    const ask = 'import("./scripts/prepare.mjs").then((m) => console.log(m.chromium()))';
    const child = spawn(process.execPath, ['--input-type=module', '--eval', ask], {
      cwd: root,
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    let said = '';
    child.stdout.on('data', (chunk) => (said += chunk));
    child.on('close', (code) =>
      code === 0 ? resolve(said.trim()) : reject(new Error('Chromium could not be installed; see above.')),
    );
  });

/** What the scripts share: installing, building, finding a port, starting the server. No dependencies: they run before npm ci. */
import { execFileSync, spawn } from 'node:child_process';
import { existsSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { kernel } from './kernel.mjs';
import { fonts } from './fonts.mjs';
import { notices } from './notices.mjs';
import { pack } from './packed.mjs';
import { thread } from './thread.mjs';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));
export const env = { ...process.env, NEXT_TELEMETRY_DISABLED: '1', NODE_OPTIONS: process.env.NODE_OPTIONS ?? '' };
const next = join(root, 'node_modules/next/dist/bin/next');

/** Debian's Chromium, quiet and without a network of its own. */
export const chromiumOptions = {
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};

/** Runs a command in the project, its output shown. Throws when it fails. */
export const run = (command, args, extra = {}) => execFileSync(command, args, { cwd: root, stdio: 'inherit', env, ...extra });

const changed = (path) => (existsSync(path) ? statSync(path).mtimeMs : 0);

/** Newest change below a folder. */
function newest(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return readdirSync(path).reduce((most, name) => Math.max(most, newest(join(path, name))), 0);
}

/** Installs the packages when they are missing or older than the lock file. */
export function install() {
  const stamp = join(root, 'node_modules/.package-lock.json');
  if (existsSync(stamp) && changed(stamp) >= changed(join(root, 'package-lock.json'))) return;
  console.log('Installing packages (the database driver may be compiled: about two minutes the first time).');
  try {
    run('npm', ['ci', '--no-audit', '--no-fund']);
  } catch {
    // A registry that lacks a package for another platform makes "ci" refuse the lock; the pinned versions are still what is wanted.
    console.log('npm ci refused; installing the locked versions with npm install.');
    run('npm', ['install', '--no-save', '--no-audit', '--no-fund']);
  }
}

/** Builds the application when a source is newer than the last build. */
export async function build() {
  kernel();
  await thread();
  fonts();
  notices();
  const built = changed(join(root, '.next/BUILD_ID'));
  const sources = ['src', 'package-lock.json', 'next.config.ts', 'postcss.config.mjs'].map((p) => newest(join(root, p)));
  if (built <= Math.max(...sources)) {
    console.log('Building.');
    run(process.execPath, [next, 'build']);
  }
  finish();
}

/** Packs the files of the built program, and lists them beside: what a device keeps to open without a connection (public/sw.js). */
export function finish() {
  const from = join(root, '.next/static');
  pack(from);
  const files = readdirSync(from, { recursive: true, withFileTypes: true })
    .filter((f) => f.isFile() && /\.(js|css|woff2|wasm)$/.test(f.name))
    .map((f) => `/_next/static/${join(f.parentPath, f.name).slice(from.length + 1)}`)
    .sort();
  writeFileSync(join(from, 'files.json'), JSON.stringify(files));
}

/** The wanted port, or the next free one. */
export function freePort(wanted) {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(freePort(wanted === 0 ? 0 : wanted + 1)));
    probe.listen(wanted, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });
}

/** Starts the production server on a data folder. */
export const serve = (port, data, stdio = 'inherit', more = {}) =>
  spawn(process.execPath, [next, 'start', '-H', more.HOST ?? process.env.HOST ?? '127.0.0.1', '-p', String(port)], {
    cwd: root,
    stdio,
    env: { ...env, SOLENIX_DATA: data, ...more },
  });

/** Waits until the server answers. */
export async function answering(url, patienceMs = 30_000) {
  for (const until = Date.now() + patienceMs; Date.now() < until;) {
    const ok = await fetch(url).then(
      // Behind a passphrase it answers 401, under another name 403: it is there.
      (r) => r.ok || r.status === 401 || r.status === 403,
      () => false,
    );
    if (ok) return;
    await new Promise((r) => setTimeout(r, 100));
  }
  throw new Error(`${url} does not answer`);
}

/** Puts the demo boats into a data folder that has none. */
export const seed = (data, stdio = 'inherit') =>
  run(process.execPath, [join(root, 'node_modules/tsx/dist/cli.mjs'), join(root, 'scripts/seed.ts'), data], { stdio });

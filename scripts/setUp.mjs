// What the commands need on a fresh machine: packages, a compiler for the database driver, Chromium for the browser tests.
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, statSync } from 'node:fs';

const has = (command) => spawnSync('sh', ['-c', `command -v ${command}`], { stdio: 'ignore' }).status === 0;
const isRoot = () => process.getuid?.() === 0;

function fromDebian(packages, why) {
  if (!isRoot() || !has('apt-get')) {
    console.error(
      `${why} Install ${packages.join(', ')} (on Debian: apt-get install ${packages.join(' ')}) and try again.`,
    );
    process.exit(1);
  }
  console.log(`${why} Installing ${packages.join(', ')} from Debian …`);
  spawnSync('apt-get', ['update', '-qq'], { stdio: 'inherit' });
  const done = spawnSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...packages], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  });
  if (done.status !== 0) {
    console.error(`${packages.join(', ')} could not be installed; do it by hand and try again.`);
    process.exit(1);
  }
}

/** The SQLite driver compiles where its ready binary can't be fetched. */
export function needCompiler() {
  if (existsSync('node_modules/better-sqlite3/build/Release/better_sqlite3.node')) return;
  const missing = [
    ['python3', 'python3'],
    ['make', 'make'],
    ['g++', 'g++'],
  ].filter(([command]) => !has(command));
  if (missing.length > 0)
    fromDebian(
      missing.map(([, name]) => name),
      'The SQLite driver has to be compiled once.',
    );
}

/** Runs npm ci when the packages are missing or older than the lock file. */
export function installWhenNeeded() {
  const mark = 'node_modules/.package-lock.json';
  if (existsSync(mark) && statSync(mark).mtimeMs >= statSync('package-lock.json').mtimeMs) return;
  const { version } = JSON.parse(readFileSync('package.json', 'utf8'));
  console.log(`Installing what Yarin ${version} needs; the first time this takes some minutes …`);
  const done = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { stdio: 'inherit' });
  if (done.status !== 0) process.exit(done.status ?? 1);
}

/** Debian's Chromium, for the browser tests. */
export function needChromium() {
  if (existsSync('/usr/bin/chromium')) return;
  fromDebian(['chromium'], 'The browser tests need Chromium.');
}

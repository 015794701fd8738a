// What a fresh machine needs before Pembit runs. Uses nothing that has to be installed first.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { postgresPrograms } from './postgres.mjs';

export const root = path.resolve(import.meta.dirname, '..');
export const environment = { ...process.env, NEXT_TELEMETRY_DISABLED: '1', SE_OFFLINE: 'true' };

export const say = (text) => console.log(`[pembit] ${text}`);

export function fail(text) {
  console.error(`[pembit] ${text}`);
  process.exit(1);
}

/** Runs a command in the project's folder; ends with a sentence when it fails. */
export function run(command, args, { sentence, env = {}, quiet = false } = {}) {
  const result = spawnSync(command, args, {
    cwd: root,
    env: { ...environment, ...env },
    stdio: quiet ? ['ignore', 'pipe', 'pipe'] : 'inherit',
    encoding: 'utf8',
  });
  if (result.status !== 0) {
    if (quiet) console.error(`${result.stdout ?? ''}${result.stderr ?? ''}`);
    fail(sentence ?? `${command} ${args.join(' ')} failed.`);
  }
}

const has = (program) => spawnSync('sh', ['-c', `command -v ${program}`]).status === 0;
const isRoot = process.getuid?.() === 0;

function aptInstall(packages, what) {
  if (!isRoot || !has('apt-get'))
    fail(
      `${what} Install these Debian packages as root, then start again: apt-get install ${packages.join(' ')}`,
    );
  say(`Installing ${packages.join(', ')} (a minute or two)`);
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  run('apt-get', ['update', '-qq'], {
    env,
    quiet: true,
    sentence: 'apt-get update failed: is the package registry reachable?',
  });
  run('apt-get', ['install', '-y', '-qq', ...packages], {
    env,
    quiet: true,
    sentence: `${packages.join(', ')} could not be installed.`,
  });
}

export function checkNode() {
  const major = Number(process.versions.node.split('.')[0]);
  if (major < 20) fail(`Pembit needs Node 20 or later; this is ${process.version}.`);
}

/** sqlite3 is compiled where no ready binary can be fetched. */
function ensureCompilers() {
  if (['g++', 'make', 'python3'].every(has)) return;
  aptInstall(['g++', 'make', 'python3'], 'The database module is compiled on this machine.');
}

/** Node's own headers, beside the Node that runs: a compiler's tool need not fetch them. */
function headers() {
  const prefix = path.resolve(process.execPath, '../..');
  return existsSync(path.join(prefix, 'include/node/node.h')) ? { npm_config_nodedir: prefix } : {};
}

const sha = (...parts) => parts.reduce((hash, part) => hash.update(part), createHash('sha256')).digest('hex');
const read = (file) => readFileSync(path.join(root, file));

/** Whether every package of the lock is there in its version, as after `npm ci`; those of other systems apart. */
function isInstalled() {
  const own = path.join(root, 'node_modules/.package-lock.json');
  if (!existsSync(own)) return false;
  const there = JSON.parse(readFileSync(own, 'utf8')).packages;
  const wanted = JSON.parse(read('package-lock.json')).packages;
  const complete = Object.entries(wanted).every(
    ([name, { version, optional, dev }]) =>
      name === '' ||
      optional ||
      there[name]?.version === version ||
      (dev && process.env.NODE_ENV === 'production'),
  );
  return complete && existsSync(path.join(root, 'node_modules/sqlite3/build/Release/node_sqlite3.node'));
}

/**
 * Installs what the lock file names. `npm install` rather than `npm ci`: a registry without other systems' binaries
 * leaves them out of the lock, and `npm ci` then refuses it. The lock must come out as it went in.
 */
export function ensurePackages() {
  const lock = sha(read('package-lock.json'), read('package.json'), process.version);
  const mark = path.join(root, 'node_modules/.pembit-installed');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return;
  // Whoever has run `npm ci` has what the lock names.
  if (isInstalled()) return;
  ensureCompilers();
  say('Installing packages (the database module is compiled, about three minutes the first time)');
  const before = sha(read('package-lock.json'));
  run('npm', ['install', '--no-save', '--no-audit', '--no-fund', '--loglevel=error'], {
    env: headers(),
    sentence:
      'The packages could not be installed: is the npm registry reachable, and is there space on the disk?',
  });
  if (sha(read('package-lock.json')) !== before)
    fail('Installing changed package-lock.json. Restore it: git checkout package-lock.json');
  writeFileSync(mark, lock);
}

const newest = (folder) =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && !/\.test\.tsx?$/.test(entry.name))
    .map((entry) => statSync(path.join(entry.parentPath, entry.name)).mtimeMs)
    .reduce((a, b) => Math.max(a, b), 0);

/** Builds when a source file is newer than the last build. */
export function ensureBuild() {
  ensureMessages();
  const mark = path.join(root, '.next/pembit-built');
  const sources = Math.max(
    newest(path.join(root, 'src')),
    ...['server.ts', 'scripts/bundle.mjs', 'next.config.ts', 'package-lock.json', 'tsconfig.json'].map(
      (f) => statSync(path.join(root, f)).mtimeMs,
    ),
  );
  if (existsSync(mark) && statSync(mark).mtimeMs > sources) return;
  say('Building the application (half a minute)');
  rmSync(mark, { force: true });
  run('npm', ['run', '--silent', 'build'], {
    quiet: true,
    sentence: 'The build failed; its messages are above.',
  });
  mkdirSync(path.dirname(mark), { recursive: true });
  writeFileSync(mark, '');
}

const READERS = `import icalendar, vobject, gi; gi.require_version('ICalGLib', '3.0')`;
const readsCalendars = () =>
  existsSync('/usr/bin/python3') && spawnSync('/usr/bin/python3', ['-c', READERS]).status === 0;

/** Debian makes and starts a cluster with the package; the tests have one of their own. */
function keepClustersAway() {
  const file = '/etc/postgresql-common/createcluster.conf';
  if (!isRoot || existsSync(file)) return;
  mkdirSync(path.dirname(file), { recursive: true });
  writeFileSync(file, 'create_main_cluster = false\n');
}

/** What the tests drive and ask: Debian's Chromium and its driver, PostgreSQL, nginx, and Debian's readers of calendar files. */
export function ensureTestPrograms() {
  if (!postgresPrograms()) keepClustersAway();
  const missing = [
    ...(postgresPrograms() ? [] : ['postgresql']),
    // The samples in deploy/ are tried as they are.
    ...(existsSync('/usr/sbin/nginx') ? [] : ['nginx-light']),
    ...['curl', 'openssl'].filter((program) => !has(program)),
    ...(existsSync('/usr/bin/chromium') && existsSync('/usr/bin/chromedriver')
      ? []
      : ['chromium', 'chromium-driver']),
    ...(readsCalendars() ? [] : ['python3-icalendar', 'python3-vobject', 'python3-gi', 'gir1.2-ical-3.0']),
  ];
  if (missing.length > 0)
    aptInstall(
      missing,
      'The tests drive Chromium, PostgreSQL and nginx, and have feeds read by programs that others wrote.',
    );
}

/** The modules that the catalogues in messages/ are compiled to. */
export function ensureMessages() {
  run('npm', ['run', '--silent', 'messages']);
}

/** Types of Next's routes, and of the API for the examples; the type check and the linter read them. */
export function ensureRouteTypes() {
  run('node_modules/.bin/next', ['typegen'], { quiet: true });
  run('npm', ['run', '--silent', 'client'], { quiet: true });
}

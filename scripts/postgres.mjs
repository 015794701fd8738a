// A PostgreSQL of one's own for tests and measurements: in a folder of its own, on a free port, gone when it is stopped.
import { spawn, spawnSync } from 'node:child_process';
import { chownSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';

const DEBIANS = '/usr/lib/postgresql';

/** The folder of PostgreSQL's programs, the newest version's; undefined where it is not installed. */
export function postgresPrograms() {
  if (!existsSync(DEBIANS)) return undefined;
  const versions = readdirSync(DEBIANS).filter((name) => existsSync(path.join(DEBIANS, name, 'bin/initdb')));
  const newest = versions.sort((a, b) => Number(b) - Number(a))[0];
  return newest && path.join(DEBIANS, newest, 'bin');
}

const freePort = () =>
  new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });

/** The numbers of Debian's `postgres` account, where root has to become it: PostgreSQL refuses to run as root. */
function account() {
  if (process.getuid?.() !== 0) return {};
  const ids = ['-u', '-g'].map((flag) =>
    Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout),
  );
  if (ids.some((id) => !Number.isInteger(id) || id === 0))
    throw new Error('There is no account called postgres.');
  return { uid: ids[0], gid: ids[1] };
}

/**
 * Starts a PostgreSQL. `settings` are its own (`fsync=off`); without any it is as careful as an operator's. `url(name)` is the
 * address of a database in it, `stop()` ends it and removes its folder, `process` is the server.
 */
export async function startPostgres({ settings = [] } = {}) {
  const programs = postgresPrograms();
  if (!programs) throw new Error('PostgreSQL is not installed: apt-get install postgresql');
  const who = account();
  const folder = mkdtempSync(path.join(tmpdir(), 'pg-'));
  if (who.uid !== undefined) chownSync(folder, who.uid, who.gid);
  const data = path.join(folder, 'data');
  const options = { ...who, cwd: folder, encoding: 'utf8' };
  const made = spawnSync(
    path.join(programs, 'initdb'),
    ['-D', data, '-U', 'pembit', '--auth=trust', '--encoding=UTF8', '--locale=C.UTF-8', '--no-sync'],
    options,
  );
  if (made.status !== 0) throw new Error(`initdb failed: ${made.stderr ?? made.error}`);
  const port = await freePort();
  const all = [
    'listen_addresses=127.0.0.1',
    `port=${port}`,
    'unix_socket_directories=',
    'max_connections=200',
    ...settings,
  ];
  const server = spawn(
    path.join(programs, 'postgres'),
    ['-D', data, ...all.flatMap((setting) => ['-c', setting])],
    { ...options, stdio: ['ignore', 'ignore', 'pipe'] },
  );
  let said = '';
  server.stderr.on('data', (chunk) => (said = `${said}${chunk}`.slice(-20_000)));
  const ended = new Promise((resolve) => server.once('exit', resolve));
  const stop = async () => {
    // SIGQUIT would leave rows to be replayed; nobody needs them, but a plain end tells what was wrong.
    server.kill('SIGINT');
    await ended;
    rmSync(folder, { recursive: true, force: true });
  };
  const isReady = () =>
    spawnSync(path.join(programs, 'pg_isready'), ['-q', '-h', '127.0.0.1', '-p', String(port)]).status === 0;
  for (let tries = 0; !isReady(); tries++) {
    if (tries > 100 || server.exitCode !== null) throw new Error(`PostgreSQL did not start: ${said}`);
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  return {
    port,
    programs,
    process: server,
    output: () => said,
    url: (name) => `postgres://pembit@127.0.0.1:${port}/${name}`,
    stop,
  };
}

/** What makes a PostgreSQL that is thrown away fast: nothing of it has to outlive a fall of the machine. */
export const THROWN_AWAY = ['fsync=off', 'synchronous_commit=off', 'full_page_writes=off', 'autovacuum=off'];

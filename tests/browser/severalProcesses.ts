import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { startPostgres, THROWN_AWAY } from '../../scripts/postgres.mjs';
import type { ServerProcess } from '../../scripts/serverProcess';
import { freePort, startServer } from '../../scripts/serverProcess';
import { connectTo } from '@/data/database';

export type SeveralProcesses = Readonly<{
  /** Where nginx answers for all of them. */
  url: string;
  standinsUrl: string;
  databaseUrl: string;
  ports: readonly string[];
  /** What a command needs in its environment. */
  env: Readonly<Record<string, string>>;
  server: (port: string) => ServerProcess;
  /** Runs deploy/rolling-restart.sh over all of them, as an operator would. */
  restartInTurn: () => Promise<void>;
  stopDatabase: () => Promise<void>;
  stop: () => Promise<void>;
}>;

/** The sample of a site, but for what is of its machine: names, certificates, folders; without TLS. */
function siteOf(folder: string, port: string, { cache }: Readonly<{ cache: boolean }>): string {
  const sample = readFileSync('deploy/nginx-several.conf', 'utf8');
  const plain = sample
    .replace(/server \{\s+listen 80;[^}]*\}\n/, '')
    .replace('listen 443 ssl http2;', `listen 127.0.0.1:${port};`)
    .replaceAll(/^ *ssl_.*\n/gm, '')
    .replaceAll('/etc/nginx', folder)
    .replaceAll(/\/var\/(cache\/nginx|log\/nginx|lib)/g, folder)
    .replace('server_name pembit.school.example;', 'server_name localhost;');
  return cache ? plain : plain.replace('proxy_cache pembit;', 'proxy_cache off;');
}

const run = (command: string, args: readonly string[], env: Record<string, string> = {}): Promise<string> =>
  new Promise((resolve, reject) => {
    const child = spawn(command, args, { env: { ...process.env, ...env } });
    let said = '';
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (chunk: Buffer) => (said += chunk.toString()));
    child.once('error', reject);
    child.once('exit', (code) =>
      code === 0 ? resolve(said) : reject(new Error(`${command} ended with ${code}: ${said}`)),
    );
  });

const isAlive = ({ pid }: ServerProcess): boolean => {
  try {
    return process.kill(pid, 0);
  } catch {
    return false;
  }
};

/** Two processes over one PostgreSQL with the demo's school, behind nginx with the sample's site. */
export async function startSeveral({ cache = false } = {}): Promise<SeveralProcesses> {
  const folder = mkdtempSync(path.join(tmpdir(), 'pembit-several-'));
  const postgres = await startPostgres({ settings: THROWN_AWAY });
  const server = connectTo(postgres.url('postgres'));
  await server.query('CREATE DATABASE pembit');
  await server.close();
  const databaseUrl = postgres.url('pembit');
  const [port = '', control = '', ...ports] = await Promise.all(
    Array.from({ length: 4 }, async () => String(await freePort())),
  );
  const env = {
    PEMBIT_DATA: path.join(folder, 'data'),
    PEMBIT_DATABASE_URL: databaseUrl,
    PEMBIT_BASE_URL: `http://localhost:${port}`,
    PEMBIT_PROXY: '1',
    PEMBIT_LAZY: '1',
  };
  // Each has stand-ins of its own, which share nothing: those of the first are the school's.
  const standinsPorts = await Promise.all(ports.map(async () => String(await freePort())));
  const start = (i: number) =>
    startServer({ ...env, PORT: ports[i]!, PEMBIT_STANDINS_PORT: standinsPorts[i]! });
  const running = new Map<string, ServerProcess>();
  for (const [i, own] of ports.entries()) running.set(own, await start(i));

  mkdirSync(path.join(folder, 'pembit-builds/_next/static'), { recursive: true });
  const processes = path.join(folder, 'pembit-processes.conf');
  writeFileSync(
    processes,
    ports.map((own) => `server 127.0.0.1:${own} max_fails=1 fail_timeout=5s;\n`).join(''),
  );
  const site = path.join(folder, 'site.conf');
  writeFileSync(site, siteOf(folder, port, { cache }));
  const main = path.join(folder, 'nginx.conf');
  const temporary = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi'].map((kind) => `${kind}_temp_path ${folder}/${kind};`).join(' '); // prettier-ignore
  const asRoot = process.getuid?.() === 0 ? 'user root;' : '';
  writeFileSync(
    main,
    `${asRoot} pid ${folder}/nginx.pid; daemon off; error_log ${folder}/error.log; events {} http { ${temporary} types { text/css css; application/javascript js; } include ${site}; }`,
  );
  const nginx = spawn('/usr/sbin/nginx', ['-c', main], { stdio: 'ignore' });
  const nginxEnded = new Promise((resolve) => nginx.once('exit', resolve));
  const answers = () =>
    fetch(`http://127.0.0.1:${port}/api/health`).then(
      ({ ok }) => ok,
      () => false,
    );
  for (let tries = 0; !(await answers()); tries++) {
    if (tries > 50) throw new Error(`nginx did not start: ${readFileSync(`${folder}/error.log`, 'utf8')}`);
    await new Promise((resolve) => setTimeout(resolve, 100));
  }

  // What `systemctl restart` does on the operator's machine.
  const controller = createServer((request, response) => {
    const own = request.url!.slice(1);
    void running
      .get(own)!
      .stop()
      .then(() => start(ports.indexOf(own)))
      .then((again) => {
        running.set(own, again);
        response.end();
      });
  });
  await new Promise<void>((resolve) => controller.listen(Number(control), '127.0.0.1', resolve));
  const restart = path.join(folder, 'restart.sh');
  writeFileSync(restart, `#!/bin/sh\nexec curl -fsS http://127.0.0.1:${control}/$1\n`, { mode: 0o700 });

  return {
    url: `http://localhost:${port}`,
    standinsUrl: `http://127.0.0.1:${standinsPorts[0]}`,
    databaseUrl,
    ports,
    env,
    server: (own) => running.get(own)!,
    restartInTurn: async () => {
      await run('deploy/rolling-restart.sh', ports, {
        PROCESSES: processes,
        RELOAD: `/usr/sbin/nginx -c ${main} -s reload`,
        RESTART: restart,
        STATIC: path.join(folder, 'pembit-builds/_next/static'),
        BUILD: '.next/static',
        QUIET: '1',
      });
    },
    stopDatabase: postgres.stop,
    stop: async () => {
      controller.close();
      nginx.kill('SIGTERM');
      await nginxEnded;
      await Promise.all([...running.values()].filter(isAlive).map((one) => one.stop()));
      await postgres.stop();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** Puts a file where code of an earlier build would lie. */
export const leaveOldChunk = ({ env }: SeveralProcesses, name: string, text: string): void => {
  const folder = path.join(env.PEMBIT_DATA!, '../pembit-builds/_next/static');
  mkdirSync(folder, { recursive: true });
  writeFileSync(path.join(folder, name), text);
};

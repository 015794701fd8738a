/** The built application as a process of its own, for the tests, and for the commands that measure it or kill it. */
import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { serverArguments } from './serverArguments.mjs';

export type ServerProcess = Readonly<{
  url: string;
  standinsUrl: string;
  pid: number;
  /** From the start of the process to its first word that it is ready. */
  readyMs: number;
  /** The last that it has said. */
  output: () => string;
  /** Reads no more of what it says. */
  deafen: () => void;
  stop: () => Promise<void>;
  /** SIGKILL: nothing is finished, nothing said. */
  kill: () => Promise<void>;
}>;

export const freePort = (): Promise<number> =>
  new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });

/** Starts on free ports; `env` says at least where the data lie. */
export async function startServer(env: Readonly<Record<string, string>>): Promise<ServerProcess> {
  const port = env.PORT ?? String(await freePort());
  const standinsPort = env.PEMBIT_STANDINS_PORT ?? String(await freePort());
  const began = performance.now();
  const child = spawn(process.execPath, serverArguments(), {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      NEXT_TELEMETRY_DISABLED: '1',
      PORT: port,
      PEMBIT_STANDINS_PORT: standinsPort,
      PEMBIT_DEMO: '1',
      PEMBIT_NOW: '2026-10-13T12:00:00Z',
      ...env,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let output = '';
  await new Promise<void>((resolve, reject) => {
    const read = (chunk: Buffer) => {
      output = (output + chunk.toString()).slice(-4000);
      if (output.includes('Pembit is ready')) resolve();
    };
    child.stdout.on('data', read);
    child.stderr.on('data', read);
    child.once('exit', (code) => reject(new Error(`The server stopped with ${code}:\n${output}`)));
  });
  const end = async (signal: 'SIGTERM' | 'SIGKILL') => {
    child.removeAllListeners('exit');
    const gone = new Promise((resolve) => child.once('exit', resolve));
    child.kill(signal);
    await gone;
  };
  return {
    url: `http://localhost:${port}`,
    standinsUrl: `http://127.0.0.1:${standinsPort}`,
    pid: child.pid!,
    readyMs: performance.now() - began,
    output: () => output,
    deafen: () => {
      child.stdout.destroy();
      child.stderr.destroy();
    },
    stop: () => end('SIGTERM'),
    kill: () => end('SIGKILL'),
  };
}

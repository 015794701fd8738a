import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { TestProject } from 'vitest/node';

declare module 'vitest' {
  interface ProvidedContext {
    pembitUrl: string;
    standinsUrl: string;
  }
}

export type RunningPembit = Readonly<{
  pembitUrl: string;
  standinsUrl: string;
  folder: string;
  stop: () => Promise<void>;
}>;

const freePort = (): Promise<number> =>
  new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });

/** Starts the built application on free ports and a folder of its own, as an operator would. */
export async function startPembit(env: Record<string, string> = {}): Promise<RunningPembit> {
  const [port, standinsPort] = [await freePort(), await freePort()];
  const folder = mkdtempSync(path.join(tmpdir(), 'pembit-test-'));
  const child = spawn(process.execPath, ['node_modules/tsx/dist/cli.mjs', 'server.ts'], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      NEXT_TELEMETRY_DISABLED: '1',
      PORT: String(port),
      PEMBIT_STANDINS_PORT: String(standinsPort),
      PEMBIT_DATA: folder,
      PEMBIT_DEMO: '1',
      PEMBIT_NOW: '2026-10-13T12:00:00Z',
      ...env,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let output = '';
  await new Promise<void>((resolve, reject) => {
    const read = (chunk: Buffer) => {
      output += chunk.toString();
      if (output.includes('Pembit is ready')) resolve();
    };
    child.stdout.on('data', read);
    child.stderr.on('data', read);
    child.once('exit', (code) => reject(new Error(`The server stopped with ${code}:\n${output}`)));
  });
  return {
    pembitUrl: `http://localhost:${port}`,
    standinsUrl: `http://127.0.0.1:${standinsPort}`,
    folder,
    stop: async () => {
      child.removeAllListeners('exit');
      const gone = new Promise((resolve) => child.once('exit', resolve));
      child.kill('SIGTERM');
      await gone;
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** One server with the demo's school for all browser tests. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const pembit = await startPembit();
  project.provide('pembitUrl', pembit.pembitUrl);
  project.provide('standinsUrl', pembit.standinsUrl);
  return pembit.stop;
}

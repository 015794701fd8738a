import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { TestProject } from 'vitest/node';
import { startServer } from '../../scripts/serverProcess';

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
  /** What the server has said of late. */
  output: () => string;
  stop: () => Promise<void>;
}>;

/** Starts the built application on free ports and a folder of its own, as an operator would. */
export async function startPembit(env: Record<string, string> = {}): Promise<RunningPembit> {
  const folder = mkdtempSync(path.join(tmpdir(), 'pembit-test-'));
  const server = await startServer({
    PEMBIT_DATA: folder,
    PEMBIT_LAZY: '1',
    ...env,
  });
  return {
    pembitUrl: server.url,
    standinsUrl: server.standinsUrl,
    folder,
    output: server.output,
    stop: async () => {
      await server.stop();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** The code that setting up asks for, from where the server printed it. */
export const setupCode = ({ output }: Pick<RunningPembit, 'output'>): string =>
  /"code":"([^"]+)"/.exec(output())?.[1] ?? '';

/** One server with the demo's school for tests that need none of their own; it holds its answers to their descriptions. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const pembit = await startPembit({ PEMBIT_CHECK_ANSWERS: '1' });
  project.provide('pembitUrl', pembit.pembitUrl);
  project.provide('standinsUrl', pembit.standinsUrl);
  return pembit.stop;
}

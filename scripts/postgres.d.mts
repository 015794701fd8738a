import type { ChildProcess } from 'node:child_process';

export type Postgres = Readonly<{
  port: number;
  /** The folder of its programs: `pg_dump` and the like. */
  programs: string;
  process: ChildProcess;
  /** What it has said of late. */
  output: () => string;
  /** The address of a database in it. */
  url: (database: string) => string;
  stop: () => Promise<void>;
}>;

export function postgresPrograms(): string | undefined;
export function startPostgres(options?: Readonly<{ settings?: readonly string[] }>): Promise<Postgres>;
export const THROWN_AWAY: readonly string[];

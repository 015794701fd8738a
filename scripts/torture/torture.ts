/**
 * npm run torture -- [--only kills,fuzz,locks,years,processes] [--database URL] [--rounds 100] [--requests 20000] [--years 200] [--seed 1]: kills a server at random moments under a
 * mixed load, over and over, sends it what nobody should, has everybody sign in at once, lives through random years, and kills two processes
 * and the connections of one PostgreSQL (its own, or an empty database at URL). Loopback only. Prints what it did, and ends with 1 where anything
 * was lost, damaged or answered with an error of the server.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { fuzz } from './fuzz';
import { killOverAndOver } from './kills';
import { pickTheLocks } from './locks';
import { killProcesses } from './processes';
import type { Report } from './random';
import { randomOf } from './random';
import { liveThroughYears } from './years';

const { values } = parseArgs({
  options: {
    only: { type: 'string' },
    database: { type: 'string' },
    rounds: { type: 'string', default: '100' },
    requests: { type: 'string', default: '20000' },
    years: { type: 'string', default: '200' },
    seed: { type: 'string', default: '1' },
  },
});

/** With a database nothing but what needs one. */
const ALL = values.database ? 'processes' : 'kills,fuzz,locks,years,processes';

async function part(name: string, run: (folder: string) => Promise<Report>): Promise<number> {
  if (!(values.only ?? ALL).split(',').includes(name)) return 0;
  const folder = mkdtempSync(path.join(tmpdir(), `pembit-${name}-`));
  const { sentence, faults } = await run(folder);
  rmSync(folder, { recursive: true, force: true });
  console.log(`\n${sentence}`);
  for (const line of faults.slice(0, 50)) console.log(`  ${line}`);
  return faults.length;
}

const random = randomOf(Number(values.seed));
const faults =
  (await part('kills', (folder) => killOverAndOver({ folder, random, rounds: Number(values.rounds) }))) +
  (await part('fuzz', (folder) => fuzz({ folder, random, requests: Number(values.requests) }))) +
  (await part('locks', (folder) =>
    pickTheLocks({ folder, random, rounds: Math.min(20, Number(values.rounds)) }),
  )) +
  (await part('years', () => liveThroughYears(Number(values.years)))) +
  (await part('processes', (folder) =>
    killProcesses({ folder, random, rounds: Number(values.rounds), database: values.database }),
  ));
process.exit(faults > 0 ? 1 : 0);

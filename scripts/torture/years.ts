import { spawnSync } from 'node:child_process';
import path from 'node:path';
import type { Report } from './random';

const ROOT = path.join(import.meta.dirname, '../..');
const ACTS = 200;

/** Random years, each of 200 acts and undos by several people, held against a plain model (`tests/properties/randomYear.test.ts`). */
export function liveThroughYears(runs: number): Promise<Report> {
  const test = ['run', '--project', 'unit', 'tests/properties/randomYear.test.ts'];
  const { status, stdout } = spawnSync('node_modules/.bin/vitest', test, {
    cwd: ROOT,
    env: { ...process.env, PEMBIT_YEAR_RUNS: String(runs), PEMBIT_YEAR_ACTS: String(ACTS) },
    encoding: 'utf8',
    maxBuffer: 1e8,
  });
  const faults = status === 0 ? [] : stdout.split('\n').filter((line) => /Error|seed:/.test(line));
  return Promise.resolve({
    sentence: `Years: ${runs} of ${ACTS} acts each, by people with changing rights.`,
    faults,
  });
}

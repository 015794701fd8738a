import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, expect, test } from 'vitest';
import { startServer } from '../../scripts/serverProcess';
import { demoId } from '@/server/demo/demoIds';
import { anonymous, signedIn } from '../support/api';

const folder = mkdtempSync(path.join(tmpdir(), 'pembit-stopping-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

test('SIGTERM answers what has been asked, keeps what was written, and lets the next process begin', async () => {
  const first = await startServer({ PEMBIT_DATA: folder });
  const maren = await signedIn(first.url, 'maren@kittiwake.example');
  const body = { kind: 'announcement', title: 'The loft stays open', on: '2026-10-20', audience: [{ course: demoId('HL 210') }] }; // prettier-ignore
  const entries = Array.from({ length: 10 }, () => maren.call('POST', '/api/entries', body));
  // Checking a password takes a few hundred milliseconds: it is under way when the signal comes.
  const credentials = { email: 'ivo@kittiwake.example', password: 'pembit-demo-2026' };
  const slow = anonymous(first.url).call('POST', '/api/session', credentials);
  await Promise.all(entries.slice(0, 5));
  const [answers, session] = await Promise.all([Promise.all(entries), slow, first.stop()]);
  expect(answers.map(({ status }) => status)).toEqual(Array(10).fill(201));
  expect(session.status).toBe(200);
  await expect(fetch(`${first.url}/api/health`)).rejects.toThrow();

  const second = await startServer({ PEMBIT_DATA: folder });
  try {
    const again = await signedIn(second.url, 'maren@kittiwake.example');
    const seen = await (await again.call('GET', '/api/occurrences?from=2026-10-20&to=2026-10-20')).text();
    expect(seen.match(/The loft stays open/g)).toHaveLength(10);
    const health = (await (await again.call('GET', '/api/health')).json()) as { ready: boolean; jobLagSeconds: number }; // prettier-ignore
    expect(health.ready).toBe(true);
    expect(health.jobLagSeconds).toBeGreaterThanOrEqual(0);
  } finally {
    await second.stop();
  }
});

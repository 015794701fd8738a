import { createHash, timingSafeEqual } from 'node:crypto';
import { outboxCounts } from '@/data/mail/outbox';
import { newestBackupMs } from '../backup/nightly';
import { health, jobLags } from '../health';
import { keptCounts } from '../keptRead';
import type { Pembit } from '../pembit';

export type MetricsAnswer = Readonly<{
  status: number;
  headers: Readonly<Record<string, string>>;
  body: string;
}>;

const sha = (text: string) => createHash('sha256').update(text).digest();
const PLAIN = { 'content-type': 'text/plain; charset=utf-8', 'cache-control': 'no-store' };

/** What stands in the database, asked for now. */
async function look(pembit: Pembit): Promise<void> {
  const { metrics } = pembit;
  const [letters, lags, { ready }] = await Promise.all([
    outboxCounts(pembit).catch(() => undefined),
    jobLags(pembit),
    health(pembit),
  ]);
  if (letters) for (const [state, n] of Object.entries(letters)) metrics.lettersNow.set({ state }, n);
  for (const [job, seconds] of lags ?? []) metrics.jobLag.set({ job }, seconds);
  const newest = newestBackupMs(pembit.config.backupFolder);
  if (newest === undefined) metrics.backupAge.reset();
  else metrics.backupAge.set((Date.now() - newest) / 1000);
  metrics.kept.set({ kind: 'reads' }, keptCounts());
  metrics.kept.set({ kind: 'tries' }, pembit.tries.inMemory());
  metrics.ready.set(ready ? 1 : 0);
}

/** The figures in the Prometheus text format, for whoever has the operator's token; without one set, for nobody. */
export async function answerMetrics(pembit: Pembit, authorization: string): Promise<MetricsAnswer> {
  const { metricsToken } = pembit.config;
  if (metricsToken === undefined) return { status: 404, headers: PLAIN, body: 'Not found.\n' };
  if (!timingSafeEqual(sha(authorization), sha(`Bearer ${metricsToken}`)))
    return { status: 401, headers: { ...PLAIN, 'www-authenticate': 'Bearer' }, body: 'A token is needed.\n' };
  await look(pembit);
  const { registry } = pembit.metrics;
  return {
    status: 200,
    headers: { 'content-type': registry.contentType, 'cache-control': 'no-store' },
    body: await registry.metrics(),
  };
}

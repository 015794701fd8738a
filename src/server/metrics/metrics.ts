import { Counter, Gauge, Histogram, Registry, collectDefaultMetrics } from 'prom-client';
import type { WriteTimes } from '@/data/writeQueue';

const SECONDS = [0.001, 0.005, 0.02, 0.1, 0.5, 2, 10];

/** What the process counts of itself, for `/metrics`; what stands in the database is asked for when somebody reads it. */
export function createMetrics() {
  const registry = new Registry();
  const own = { registers: [registry] };
  collectDefaultMetrics({ register: registry });
  const requests = new Counter({ ...own, name: 'pembit_requests_total', help: 'Requests answered, by what they were for and how.', labelNames: ['kind', 'status'] as const }); // prettier-ignore
  const requestSeconds = new Histogram({ ...own, name: 'pembit_request_seconds', help: 'How long requests took.', labelNames: ['kind'] as const, buckets: SECONDS }); // prettier-ignore
  const refusals = new Counter({ ...own, name: 'pembit_refusals_total', help: 'Refusals, by their reason.', labelNames: ['reason'] as const }); // prettier-ignore
  const writesWaiting = new Gauge({ ...own, name: 'pembit_writes_waiting', help: 'Writes that wait for their turn.' }); // prettier-ignore
  const writeWait = new Histogram({ ...own, name: 'pembit_write_wait_seconds', help: 'How long writes waited for their turn.', buckets: SECONDS }); // prettier-ignore
  const writes = new Counter({ ...own, name: 'pembit_writes_total', help: 'Writes, by how they ended.', labelNames: ['outcome'] as const }); // prettier-ignore
  const letters = new Counter({ ...own, name: 'pembit_letters_total', help: 'Letters handed over or refused since the start.', labelNames: ['outcome'] as const }); // prettier-ignore
  const jobRuns = new Counter({ ...own, name: 'pembit_job_runs_total', help: 'Runs of jobs, by how they ended.', labelNames: ['job', 'outcome'] as const }); // prettier-ignore
  const lettersNow = new Gauge({ ...own, name: 'pembit_letters', help: 'Letters in the outbox, by state.', labelNames: ['state'] as const }); // prettier-ignore
  const jobLag = new Gauge({ ...own, name: 'pembit_job_lag_seconds', help: 'How long each job is overdue.', labelNames: ['job'] as const }); // prettier-ignore
  const backupAge = new Gauge({ ...own, name: 'pembit_backup_age_seconds', help: 'Age of the newest backup that was tried; absent while there is none.' }); // prettier-ignore
  const kept = new Gauge({ ...own, name: 'pembit_kept', help: 'What is kept in memory, by kind.', labelNames: ['kind'] as const }); // prettier-ignore
  const ready = new Gauge({ ...own, name: 'pembit_ready', help: '1 while the server reads and writes.' });
  const write: WriteTimes = {
    waiting: (n) => writesWaiting.set(n),
    began: (waitedMs) => writeWait.observe(waitedMs / 1000),
    ended: (outcome) => writes.inc({ outcome }),
  };
  return { registry, requests, requestSeconds, refusals, letters, jobRuns, lettersNow, jobLag, backupAge, kept, ready, write }; // prettier-ignore
}
export type Metrics = ReturnType<typeof createMetrics>;

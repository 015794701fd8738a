import { z } from 'zod';
import { done } from '@/core/refusals';
import { health } from '@/server/health';
import { endpoint } from '../endpoint';

const answer = z.object({
  live: z.literal(true),
  ready: z.boolean(),
  problems: z.array(z.enum(['noReading', 'noWriting', 'jobsLate', 'lettersFailing', 'backupOld'])),
  zoneData: z.string(),
  jobLagSeconds: z.number(),
  backupAgeSeconds: z.number().optional(),
});

/** Whether the server is live and ready. */
export const GET = endpoint({ who: 'anyone', answer }, async ({ pembit }) => {
  const found = await health(pembit);
  return { ...done(found), status: found.ready ? 200 : 503 };
});

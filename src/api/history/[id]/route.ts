import { z } from 'zod';
import { historyId } from '@/core/ids';
import { seenBefore } from '@/server/history/seenBefore';
import { endpoint } from '../../endpoint';

const params = z.object({ id: historyId });

/** How many students had been shown what the act changed. */
export const GET = endpoint(
  { who: 'person', params, answer: z.object({ seen: z.number() }) },
  ({ pembit, actor, params }) => seenBefore(pembit, actor, params.id),
);

import { z } from 'zod';
import { historyId } from '@/core/ids';
import { tellChange, waveOff } from '@/server/history/tellChange';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: historyId });

/** Tells everybody who had been shown what the act changed, by mail, after a minute. */
export const POST = endpoint(
  { who: 'person', params, answer: z.object({ told: z.number(), gathered: z.number() }) },
  ({ pembit, actor, params }) => tellChange(pembit, actor, params.id),
);

/** Says that nobody needs to be told of the act. */
export const DELETE = endpoint(
  { who: 'person', params, answer: z.object({ told: z.literal(0) }) },
  ({ pembit, actor, params }) => waveOff(pembit, actor, params.id),
);

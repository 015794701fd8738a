import { z } from 'zod';
import { awayInput } from '@/core/frame/awayInput';
import { previewAway } from '@/server/frame/away';
import { endpoint } from '../../endpoint';

const answer = z.object({ classes: z.array(z.string()), times: z.array(z.string()), holding: z.number() });

/** What being away would call off; nothing is saved. */
export const POST = endpoint({ who: 'person', body: awayInput, answer }, ({ pembit, actor, body }) =>
  previewAway(pembit, actor, body),
);

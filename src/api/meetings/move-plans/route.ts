import { z } from 'zod';
import { meetingId } from '@/core/ids';
import { movePlans } from '@/server/plan/classPlans';
import { endpoint } from '../../endpoint';

const body = z.object({
  moves: z
    .array(z.object({ from: meetingId, to: meetingId }), { error: 'Say which plans move where.' })
    .min(1, 'Say which plans move where.')
    .max(30, 'At most 30 at once.'),
});

/** Moves plans, each to another class of its own section. */
export const POST = endpoint(
  { who: 'person', body, bytes: 512 * 1024, answer: z.object({ title: z.string() }) },
  ({ pembit, actor, body }) => movePlans(pembit, actor, body.moves),
);

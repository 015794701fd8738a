import { z } from 'zod';
import { courseId, personId } from '@/core/ids';
import { sendLettersAgain } from '@/server/people/roster';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: courseId });
const body = z.object({ people: z.array(personId).min(1).max(1000) });

/** Sends students who have not come yet their letter again. */
export const POST = endpoint(
  { who: 'person', params, body, answer: z.object({ sent: z.number() }) },
  ({ pembit, actor, params, body }) => sendLettersAgain(pembit, actor, params.id, body.people),
);

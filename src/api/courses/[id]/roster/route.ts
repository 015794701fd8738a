import { z } from 'zod';
import { longText } from '@/core/fields';
import { courseId } from '@/core/ids';
import { addStudents } from '@/server/people/roster';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: courseId });
/** `leaveOut`: lines that cannot be read stay out; otherwise they refuse the list. */
const list = z.object({ list: longText(2_000_000), leaveOut: z.boolean().default(false) });

/** Adds the students of a pasted list. */
export const POST = endpoint(
  { who: 'person', params, body: list, bytes: 8 * 1024 * 1024, answer: z.object({ added: z.number() }) },
  async ({ pembit, actor, params, body }) => {
    const outcome = await addStudents(pembit, actor, params.id, body.list, body);
    return outcome.ok ? { ...outcome, status: 201 } : outcome;
  },
);

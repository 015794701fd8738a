import { z } from 'zod';
import { courseId } from '@/core/ids';
import { messageInput } from '@/core/messages/messageInput';
import { writeToStudents } from '@/server/messages/writeToStudents';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: courseId });

/** Writes a letter to students of a course. */
export const POST = endpoint(
  { who: 'person', params, body: messageInput, answer: z.object({ told: z.number() }) },
  ({ pembit, actor, params, body }) => writeToStudents(pembit, actor, params.id, body),
);

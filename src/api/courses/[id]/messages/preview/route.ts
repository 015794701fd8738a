import { z } from 'zod';
import { courseId } from '@/core/ids';
import { recipientsInput } from '@/core/messages/messageInput';
import { previewMessage } from '@/server/messages/writeToStudents';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: courseId });

const answer = z.object({ count: z.number(), audience: z.string(), names: z.array(z.string()) });

/** Says whom a letter would reach, by name. */
export const POST = endpoint(
  { who: 'person', params, body: recipientsInput, answer },
  ({ pembit, actor, params, body }) => previewMessage(pembit, actor, params.id, body),
);

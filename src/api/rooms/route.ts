import { z } from 'zod';
import { line } from '@/core/fields';
import { makeRoom } from '@/server/entries/makeRoom';
import { endpoint } from '../endpoint';

const body = z.object({ title: line(200, 'Give it a title.') });

/** A room of the meeting service. */
export const POST = endpoint(
  { who: 'person', body, answer: z.object({ url: z.string(), text: z.string() }) },
  async ({ pembit, actor, body }) => {
    const outcome = await makeRoom(pembit, actor, body.title);
    return outcome.ok ? { ...outcome, status: 201 } : outcome;
  },
);

import { z } from 'zod';
import { MOST_BYTES, tableText } from '@/core/frame/tableInput';
import { takeTable } from '@/server/frame/bringTable';
import { endpoint } from '../endpoint';

const body = tableText.extend({ leaveOut: z.boolean().default(false) });

/** Adds the people, courses, sections or staff of a table, for the administrator: all of it, or nothing. */
export const POST = endpoint(
  { who: 'person', body, bytes: MOST_BYTES, answer: z.object({ added: z.number(), same: z.number() }) },
  ({ pembit, actor, body }) => takeTable(pembit, actor, body.text, body),
);

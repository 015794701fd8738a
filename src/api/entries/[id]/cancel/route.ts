import { z } from 'zod';
import { dayOrWall, line } from '@/core/fields';
import { entryId } from '@/core/ids';
import { cancelEntry } from '@/server/entries/cancelEntry';
import { endpoint } from '../../../endpoint';
import { savedEntry } from '../../../records';
import { entryAnswer } from '../../entryAnswer';

const params = z.object({ id: entryId });
const body = z.object({ reason: line(300).optional(), recurrenceId: dayOrWall.optional() });

/** Calls it off with a reason (which may be empty); without one it takes place after all. */
export const PUT = endpoint(
  { who: 'person', row: 'entries', params, body, answer: savedEntry },
  async ({ pembit, actor, params, body }) => entryAnswer(await cancelEntry(pembit, actor, params.id, body)),
);

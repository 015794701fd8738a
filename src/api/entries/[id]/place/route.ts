import { z } from 'zod';
import { dayOrWall, plainDateTime } from '@/core/fields';
import { entryId } from '@/core/ids';
import { placeEntry } from '@/server/entries/placeEntry';
import { endpoint } from '../../../endpoint';
import { savedEntry } from '../../../records';
import { entryAnswer } from '../../entryAnswer';

const params = z.object({ id: entryId });
const body = z.object({
  start: plainDateTime,
  end: plainDateTime.optional(),
  recurrenceId: dayOrWall.optional(),
});

/** Puts it at another time of day, or gives it another end. */
export const PUT = endpoint(
  { who: 'person', row: 'entries', params, body, answer: savedEntry },
  async ({ pembit, actor, params, body }) => entryAnswer(await placeEntry(pembit, actor, params.id, body)),
);

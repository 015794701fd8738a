import { z } from 'zod';
import { HANGING } from '@/core/entries/moveDate';
import { entryId } from '@/core/ids';
import { moveHangingDate } from '@/server/entries/moveHangingDate';
import { endpoint } from '../../../endpoint';
import { savedEntry } from '../../../records';
import { entryAnswer } from '../../entryAnswer';
import { shiftBy } from '../../shiftBy';

const params = z.object({ id: entryId });
const body = z.object({
  days: shiftBy.days,
  field: z.enum(HANGING, { error: `Say which date: ${HANGING.join(', ')}.` }),
});

/** Moves one of the dates that hang on an entry. */
export const POST = endpoint(
  { who: 'person', row: 'entries', params, body, answer: savedEntry },
  async ({ pembit, actor, params, body }) =>
    entryAnswer(await moveHangingDate(pembit, actor, params.id, body)),
);

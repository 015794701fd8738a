import { z } from 'zod';
import { dayOrWall, line } from '@/core/fields';
import { entryId } from '@/core/ids';
import { changeEntryLine } from '@/server/entries/changeEntryLine';
import { endpoint } from '../../../endpoint';
import { savedEntry } from '../../../records';
import { entryAnswer } from '../../entryAnswer';

const params = z.object({ id: entryId });
const body = z.object({
  sequence: z.number({ error: 'Send the sequence you last saw.' }).int().min(0),
  title: line(200, 'Give it a title.'),
  on: dayOrWall,
});

/** Changes title, day and time of an entry. */
export const PUT = endpoint(
  { who: 'person', row: 'entries', params, body, bytes: 512 * 1024, answer: savedEntry },
  async ({ pembit, actor, params, body }) => {
    const { sequence, ...changed } = body;
    return entryAnswer(await changeEntryLine(pembit, actor, { id: params.id, sequence }, changed));
  },
);

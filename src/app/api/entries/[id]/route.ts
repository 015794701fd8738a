import { z } from 'zod';
import { entryInput } from '@/core/entries/entryInput';
import { entryId } from '@/core/ids';
import { changeEntry } from '@/server/entries/changeEntry';
import { deleteEntry } from '@/server/entries/deleteEntry';
import { endpoint } from '../../endpoint';
import { entryAnswer } from '../entryAnswer';

const params = z.object({ id: entryId });
const change = z.object({
  sequence: z.number({ error: 'Send the sequence you last saw.' }).int().min(0),
  entry: entryInput,
});

export const PUT = endpoint(
  { who: 'person', params, body: change },
  async ({ pembit, actor, params, body }) =>
    entryAnswer(await changeEntry(pembit, actor, { id: params.id, sequence: body.sequence }, body.entry)),
);

export const DELETE = endpoint({ who: 'person', params }, async ({ pembit, actor, params }) =>
  entryAnswer(await deleteEntry(pembit, actor, params.id)),
);

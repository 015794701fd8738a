import { z } from 'zod';
import { entryInput } from '@/core/entries/entryInput';
import { entryId } from '@/core/ids';
import { scopeInput } from '@/core/series/scope';
import { changeEntry } from '@/server/entries/changeEntry';
import { deleteEntry } from '@/server/entries/deleteEntry';
import { endpoint } from '../../endpoint';
import { entryAnswer } from '../entryAnswer';

const params = z.object({ id: entryId });
const change = z
  .object({
    sequence: z.number({ error: 'Send the sequence you last saw.' }).int().min(0),
    entry: entryInput,
  })
  .and(scopeInput);

export const PUT = endpoint(
  { who: 'person', params, body: change },
  async ({ pembit, actor, params, body }) => {
    const { entry, ...asked } = body;
    const outcome = await changeEntry(pembit, actor, { id: params.id, ...asked }, entry);
    if (!outcome.ok) return outcome;
    const { lost } = outcome.value;
    const answer = entryAnswer({ ...outcome, value: outcome.value.entry });
    return answer.ok ? { ...answer, value: { ...answer.value, lost } } : answer;
  },
);

export const DELETE = endpoint(
  { who: 'person', params, query: scopeInput },
  async ({ pembit, actor, params, query }) => entryAnswer(await deleteEntry(pembit, actor, params.id, query)),
);

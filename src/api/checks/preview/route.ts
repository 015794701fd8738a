import { z } from 'zod';
import { entryInput } from '@/core/entries/entryInput';
import { entryId } from '@/core/ids';
import { previewChecks } from '@/server/checks/previewChecks';
import { endpoint } from '../../endpoint';

const body = z.object({ id: entryId.optional(), entry: entryInput });

/** What looks questionable in an entry as it is being written; nothing is saved. */
export const POST = endpoint(
  { who: 'person', body, bytes: 512 * 1024, answer: z.array(z.object({ why: z.string() })) },
  async ({ pembit, actor, body }) => {
    const outcome = await previewChecks(pembit, actor, { id: body.id, input: body.entry });
    return outcome.ok ? { ...outcome, value: outcome.value.map(({ why }) => ({ why })) } : outcome;
  },
);

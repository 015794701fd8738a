import { z } from 'zod';
import { line } from '@/core/fields';
import { entryId, fileId } from '@/core/ids';
import { done } from '@/core/refusals';
import { attachFile } from '@/server/entries/attachFile';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: entryId });
const body = z.object({ file: fileId, label: line(200).default('') });

/** Adds an uploaded file to the links of an entry: `{id}`. */
export const POST = endpoint(
  { who: 'person', params, body, answer: z.object({ id: z.string() }) },
  async ({ pembit, actor, params, body }) => {
    const outcome = await attachFile(pembit, actor, params.id, body);
    return outcome.ok ? { ...outcome, ...done({ id: outcome.value.id }) } : outcome;
  },
);

import { z } from 'zod';
import { sheetId } from '@/core/ids';
import { retimeInput } from '@/core/signup/sheetInput';
import { previewRetime } from '@/server/signup/changeSheet';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: sheetId });

const answer = z.object({
  stay: z.number(),
  added: z.number(),
  removed: z.number(),
  affected: z.array(z.object({ name: z.string(), when: z.string() })),
});

/** Who is affected by other times of a sheet. */
export const POST = endpoint(
  { who: 'person', params, body: retimeInput, bytes: 512 * 1024, answer },
  ({ pembit, actor, params, body }) => previewRetime(pembit, actor, params.id, body),
);

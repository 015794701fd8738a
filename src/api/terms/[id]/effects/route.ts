import { z } from 'zod';
import { termInput } from '@/core/frame/frameInput';
import { termId } from '@/core/ids';
import { previewTerm } from '@/server/frame/terms';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: termId });

const answer = z.object({
  classesAdded: z.number(),
  classesLost: z.number(),
  entriesKept: z.number(),
  timesKept: z.number(),
  outside: z.number(),
});

/** Says what other dates or another zone of a term would change. */
export const POST = endpoint(
  { who: 'person', params, body: termInput, answer },
  ({ pembit, actor, params, body }) => previewTerm(pembit, actor, params.id, body),
);

import { z } from 'zod';
import { url } from '@/core/fields';
import { linkTexts } from '@/core/texts/links';
import { testOneLink } from '@/server/links/testLinks';
import { endpoint } from '../../endpoint';

const body = z.object({ url });

const answer = z.object({
  state: z.enum(['signIn', 'moved', 'opens', 'slow', 'fails']),
  status: z.number().optional(),
  leadsTo: z.string().optional(),
  words: z.string(),
});

/** Whether an address opens, before it stands anywhere: `{state, status?, leadsTo?, words}`. */
export const POST = endpoint(
  { who: 'person', limit: 'linkTest', body, answer },
  async ({ pembit, actor, body }) => {
    const outcome = await testOneLink(pembit, actor, body.url);
    if (!outcome.ok) return outcome;
    const { state, status, leadsTo } = outcome.value;
    return { ...outcome, value: { state, status, leadsTo, words: linkTexts.found(outcome.value) } };
  },
);

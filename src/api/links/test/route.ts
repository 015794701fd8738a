import { z } from 'zod';
import { url } from '@/core/fields';
import { linkTexts } from '@/core/texts/links';
import { testOneLink } from '@/server/links/testLinks';
import { endpoint } from '../../endpoint';

const body = z.object({ url });

/** Whether an address opens, before it stands anywhere: `{state, status?, leadsTo?, words}`. */
export const POST = endpoint({ who: 'person', limit: 'linkTest', body }, async ({ pembit, actor, body }) => {
  const outcome = await testOneLink(pembit, actor, body.url);
  if (!outcome.ok) return outcome;
  const { state, status, leadsTo } = outcome.value;
  return { ...outcome, value: { state, status, leadsTo, words: linkTexts.found(outcome.value) } };
});

import { z } from 'zod';
import { line } from '@/core/fields';
import { uploadFile } from '@/server/materials/uploadFile';
import { endpoint } from '../endpoint';

const query = z.object({
  name: line(300, 'Say what the file is called.'),
  /** A package to be read, not kept as it is: it may be larger. */
  package: z.literal('1').optional(),
});

/** Keeps the file that is the body of the request. */
export const POST = endpoint({ who: 'person', query }, async ({ pembit, actor, query, request }) => {
  const { body } = request;
  const outcome = await uploadFile(pembit, actor, { name: query.name, package: query.package === '1', body });
  return { ...outcome, status: 201 };
});

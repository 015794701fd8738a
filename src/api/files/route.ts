import { z } from 'zod';
import { line } from '@/core/fields';
import { uploadFile } from '@/server/materials/uploadFile';
import { endpoint } from '../endpoint';

const query = z.object({
  name: line(300, 'Say what the file is called.'),
  as: z
    .enum(['file', 'package', 'calendar', 'schedule'], { error: 'Say file, package, calendar or schedule.' })
    .default('file'),
});

const answer = z.object({ id: z.string(), name: z.string(), mediaType: z.string(), size: z.number() });

/** Keeps the file that is the body of the request. */
export const POST = endpoint({ who: 'person', query, answer }, async ({ pembit, actor, query, request }) => {
  const { body } = request;
  const outcome = await uploadFile(pembit, actor, { name: query.name, as: query.as, body });
  return { ...outcome, status: 201 };
});

import { z } from 'zod';
import { sectionId } from '@/core/ids';
import { mergeSections } from '@/server/frame/mergeSections';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: sectionId });
const body = z.object({ into: sectionId });

/** Merges a section into another of its course: students and what is for it go over, its classes are gone. */
export const POST = endpoint(
  { who: 'person', params, body, answer: z.object({ students: z.number() }) },
  ({ pembit, actor, params, body }) => mergeSections(pembit, actor, { from: params.id, into: body.into }),
);

import { z } from 'zod';
import { extraClassInput } from '@/core/frame/frameInput';
import { sectionId } from '@/core/ids';
import { addClass } from '@/server/frame/sections';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: sectionId });

/** Adds a class outside of a section's pattern. */
export const POST = endpoint(
  { who: 'person', params, body: extraClassInput, answer: z.object({ lost: z.number() }) },
  ({ pembit, actor, params, body }) => addClass(pembit, actor, params.id, body),
);

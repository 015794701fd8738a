import { z } from 'zod';
import { sectionInput } from '@/core/frame/frameInput';
import { courseId } from '@/core/ids';
import { addSection } from '@/server/frame/sections';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: courseId });

/** Adds a section with its week. */
export const POST = endpoint(
  { who: 'person', params, body: sectionInput, answer: z.object({ name: z.string() }) },
  async ({ pembit, actor, params, body }) => {
    const outcome = await addSection(pembit, actor, params.id, body);
    return outcome.ok ? { ...outcome, status: 201 } : outcome;
  },
);

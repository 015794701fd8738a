import { z } from 'zod';
import { courseId, personId, sectionId } from '@/core/ids';
import { previewMove } from '@/server/people/membership';
import { endpoint } from '../../../../../endpoint';

const params = z.object({ id: courseId });
const body = z.object({ people: z.array(personId).min(1).max(1000), section: sectionId.optional() });

const answer = z.object({
  students: z.array(z.object({ person: z.string(), name: z.string(), givesBack: z.array(z.string()) })),
});

/** What each of some students would give back by going to a section, or by leaving. */
export const POST = endpoint({ who: 'person', params, body, answer }, ({ pembit, actor, params, body }) =>
  previewMove(
    pembit,
    actor,
    params.id,
    body.people,
    body.section ? { kind: 'section', section: body.section } : { kind: 'leave' },
  ),
);

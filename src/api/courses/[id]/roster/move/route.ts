import { z } from 'zod';
import { courseId, personId, sectionId } from '@/core/ids';
import { moveStudents } from '@/server/people/membership';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: courseId });
/** `section`: where they go; absent: off the roster. */
const body = z.object({ people: z.array(personId).min(1).max(1000), section: sectionId.optional() });

/** Moves students to a section or takes them off the roster, in one act: times to come that go out of their sight are given back. */
export const POST = endpoint(
  { who: 'person', params, body, answer: z.object({ moved: z.number() }) },
  ({ pembit, actor, params, body }) =>
    moveStudents(
      pembit,
      actor,
      params.id,
      body.people,
      body.section ? { kind: 'section', section: body.section } : { kind: 'leave' },
    ),
);

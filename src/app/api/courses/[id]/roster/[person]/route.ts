import { z } from 'zod';
import { courseId, personId, sectionId } from '@/core/ids';
import { moveStudent, previewMove } from '@/server/people/membership';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: courseId, person: personId });
const query = z.object({ section: sectionId.optional() });
const body = z.object({ section: sectionId });
const member = ({ id, person }: z.output<typeof params>) => ({ course: id, person });

/** What the person would give back: by leaving, or by going to the section of the query. */
export const GET = endpoint({ who: 'person', params, query }, ({ pembit, actor, params, query }) =>
  previewMove(
    pembit,
    actor,
    member(params),
    query.section ? { kind: 'section', section: query.section } : { kind: 'leave' },
  ),
);

/** Moves a student to a section. */
export const PUT = endpoint({ who: 'person', params, body }, ({ pembit, actor, params, body }) =>
  moveStudent(pembit, actor, member(params), { kind: 'section', section: body.section }),
);

/** Takes a student off the roster: times still to come are given back. */
export const DELETE = endpoint({ who: 'person', params }, ({ pembit, actor, params }) =>
  moveStudent(pembit, actor, member(params), { kind: 'leave' }),
);

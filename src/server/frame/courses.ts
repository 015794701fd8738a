import { mayIn, mayOffice } from '@/core/may/may';
import { randomUUID } from 'node:crypto';
import type { CourseInput, NewCourseInput } from '@/core/frame/frameInput';
import type { CourseId, PersonId, TermId } from '@/core/ids';
import type { FieldError, Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import type { Term } from '@/core/time/term';
import type { Reader } from '@/data/reader';
import type { Change } from '@/data/history/change';
import { personById } from '@/data/people/people';
import { fromCourseFacts } from '@/data/plan/frameRows';
import { coursesOfCode } from '@/data/plan/frameStore';
import { allTerms, loadFrame } from '@/data/plan/loadPlan';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { refitMeetings } from './refitMeetings';
import { makeSection, unknownDays } from './sections';
import { staffRow } from '@/data/people/memberRows';

/** A code is unique within its term: it is what addresses and commands use. */
export async function codeTaken(
  reader: Reader,
  { term, code, except }: { term: TermId; code: string; except?: CourseId },
): Promise<FieldError[]> {
  return (await coursesOfCode(reader, term, code)).some((id) => id !== except)
    ? [{ field: 'code', message: 'Another course of this term has this code.' }]
    : [];
}

/** The administrator adds a course with its sections and the instructor who plans it. */
export function addCourse(
  pembit: Pembit,
  actor: SignedIn,
  input: NewCourseInput,
): Promise<Outcome<{ id: CourseId; code: string; meetings: number }>> {
  return perform(pembit, actor, 'addCourse', async (change) => {
    if (!mayOffice(actor, 'addCourse')) return refused('notYours');
    const term = (await allTerms(change)).find((t) => t.id === input.term);
    if (!term) return refused('badRequest', [{ field: 'term', message: 'Choose a term.' }]);
    if (!(await personById(change, input.instructor)))
      return refused('badRequest', [{ field: 'instructor', message: 'Choose an instructor.' }]);
    const taken = await codeTaken(change, { term: term.id, code: input.code });
    const wrong = [...taken, ...input.sections.flatMap(({ week }) => unknownDays(week, term, 'sections'))];
    if (wrong.length > 0) return refused('badRequest', wrong);
    const id = await makeCourse(change, input, term);
    for (const section of input.sections) await makeSection(change, id, section, term);
    await refitMeetings(change, [id]);
    change.summarise(frameHistoryTexts.addedCourse({ code: input.code }));
    const { courses } = await loadFrame(change, [id]);
    return done({
      id,
      code: input.code,
      meetings: courses.flatMap((c) => c.sections.flatMap((s) => s.meetings)).length,
    });
  });
}

/** A course of a term with its instructor, and no section yet. */
export async function makeCourse(
  change: Change,
  input: CourseInput & Readonly<{ instructor: PersonId }>,
  term: Term,
): Promise<CourseId> {
  const id = randomUUID() as CourseId;
  const facts = { archived_at: null, reopened: 0, join_generation: 0, join_hash: null };
  await change.insert('courses', [{ id, term_id: term.id, ...fromCourseFacts(input), ...facts }]);
  await change.insert('staff', [staffRow({ course: id, person: input.instructor, role: 'instructor' })]);
  change.concerns(`person:${input.instructor}`);
  return id;
}

/** Whoever teaches a course changes its facts; its term stays. */
export function changeCourse(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
  input: CourseInput,
): Promise<Outcome<{ code: string }>> {
  return perform(pembit, actor, 'changeCourse', async (change) => {
    const [course] = (await loadFrame(change, [id])).courses;
    if (!course || !mayIn(actor, 'changeCourse', id)) return refused('notFound');
    const taken = await codeTaken(change, { term: course.term, code: input.code, except: id });
    if (taken.length > 0) return refused('badRequest', taken);
    await change.update('courses', id, fromCourseFacts(input));
    change.concerns(`course:${id}`);
    change.summarise(frameHistoryTexts.changedCourse({ code: input.code }));
    return done({ code: input.code });
  });
}

import { mayIn, mayOffice } from '@/core/may/may';
import { randomUUID } from 'node:crypto';
import type { CourseInput, NewCourseInput, PatternInput, SectionInput } from '@/core/frame/frameInput';
import type { CourseId, SectionId, TermId } from '@/core/ids';
import type { FieldError, Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { dateLabel } from '@/core/time/dateLabels';
import { changePattern } from '@/core/time/pattern';
import type { Reader } from '@/data/database';
import { select } from '@/data/database';
import { personById } from '@/data/people/people';
import { fromCourseFacts } from '@/data/plan/frameRows';
import { courseOfSection, writePatterns } from '@/data/plan/frameStore';
import { allTerms, loadFrame } from '@/data/plan/loadPlan';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { refitMeetings } from './refitMeetings';
import { staffRow } from '@/data/people/memberRows';

/** A code is unique within its term: it is what addresses and commands use. */
export async function codeTaken(
  reader: Reader,
  { term, code, except }: { term: TermId; code: string; except?: CourseId },
): Promise<FieldError[]> {
  const rows = await select<{ id: string }>(
    reader,
    'SELECT id FROM courses WHERE term_id = :term AND code = :code',
    { term, code },
  );
  return rows.some((row) => row.id !== except)
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
    if (taken.length > 0) return refused('badRequest', taken);
    const id = randomUUID() as CourseId;
    await change.insert('courses', [
      {
        id,
        term_id: term.id,
        ...fromCourseFacts(input),
        archived_at: null,
        reopened: 0,
        join_generation: 0,
        join_hash: null,
      },
    ]);
    await change.insert('staff', [staffRow({ course: id, person: input.instructor, role: 'instructor' })]);
    for (const { name, week } of input.sections) {
      const section = randomUUID() as SectionId;
      await change.insert('sections', [{ id: section, course_id: id, name }]);
      await writePatterns(change, section, [{ from: term.startsOn, classes: week }]);
    }
    await refitMeetings(change, [id]);
    change.concerns(`person:${input.instructor}`);
    change.summarise(frameHistoryTexts.addedCourse(input.code));
    const { courses } = await loadFrame(change, [id]);
    return done({
      id,
      code: input.code,
      meetings: courses.flatMap((c) => c.sections.flatMap((s) => s.meetings)).length,
    });
  });
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
    change.summarise(frameHistoryTexts.changedCourse(input.code));
    return done({ code: input.code });
  });
}

export function addSection(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
  input: SectionInput,
): Promise<Outcome<{ name: string }>> {
  return perform(pembit, actor, 'addSection', async (change) => {
    const frame = await loadFrame(change, [id]);
    const [course] = frame.courses;
    const [term] = frame.terms;
    if (!course || !term || !mayIn(actor, 'addSection', id)) return refused('notFound');
    if (course.sections.some((section) => section.name === input.name))
      return refused('badRequest', [{ field: 'name', message: 'The course has a section of this name.' }]);
    const section = randomUUID() as SectionId;
    await change.insert('sections', [{ id: section, course_id: id, name: input.name }]);
    await writePatterns(change, section, [{ from: term.startsOn, classes: input.week }]);
    await refitMeetings(change, [id]);
    change.summarise(frameHistoryTexts.addedSection(input.name));
    return done({ name: input.name });
  });
}

/** Another week for a section from a date on: what was before it stays, the meetings after it follow. */
export function changeWeek(
  pembit: Pembit,
  actor: SignedIn,
  id: SectionId,
  input: PatternInput,
): Promise<Outcome<{ lost: number }>> {
  return perform(pembit, actor, 'changeWeek', async (change) => {
    const courseId = await courseOfSection(change, id);
    if (!courseId || !mayIn(actor, 'changeWeek', courseId)) return refused('notFound');
    const [course] = (await loadFrame(change, [courseId])).courses;
    const section = course?.sections.find((s) => s.id === id);
    if (!section) return refused('notFound');
    await writePatterns(
      change,
      id,
      changePattern(section.patterns, { from: input.from, classes: input.week }),
    );
    const lost = await refitMeetings(change, [courseId]);
    change.summarise(frameHistoryTexts.changedWeek(section.name, dateLabel(input.from)));
    return done({ lost: lost.length });
  });
}

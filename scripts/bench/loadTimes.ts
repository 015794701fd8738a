import type { CourseId, EntryId, PersonId } from '../../src/core/ids';
import { recordChange } from '../../src/data/history/change';
import { addEntries } from '../../src/data/entries/writeEntries';
import { personRow } from '../../src/data/people/people';
import { courseLoad } from '../../src/server/load/courseLoad';
import { valueOf } from '../../tests/support/outcomes';
import { assignment, at, day } from '../../tests/support/plans';
import { newSchool } from '../../tests/support/school';

const STUDENTS = 6000;
const COURSES = 200;
const DUE = 8000;
const TAKEN = 5;

/** The grid of one course in a school of 6,000 students, 200 courses and 8,000 due items, from the database on; in milliseconds. */
export async function loadTimes(
  rounds: number,
): Promise<{ times: number[]; students: number; items: number }> {
  const school = await newSchool({ students: 0 });
  const { pembit, instructor, course, term } = school;
  const courses = [course, ...Array.from({ length: COURSES - 1 }, (_, i) => `course${i}` as CourseId)];
  const people = Array.from({ length: STUDENTS }, (_, i) => `student${i}` as PersonId);
  try {
    await recordChange(pembit.queue, { act: 'bench', summary: '', actor: null, nowMs: 0 }, async (change) => {
      for (let i = 0; i < STUDENTS; i += 500)
        await change.insert('people', people.slice(i, i + 500).map((id) => personRow({ id, email: `${id}@s.example`, name: id }, 0))); // prettier-ignore
      await change.insert('courses', courses.slice(1).map((id, i) => ({ id, term_id: term, code: `C ${i}`, title: `C ${i}`, tag: 'CC', color: 'sea', credits: null, weekly_hours: null, shares_titles: 0, place: '', meeting_link: '', archived_at: null, reopened: 0, join_generation: 0, join_hash: null }))); // prettier-ignore
      const roster = people.flatMap(
        (person, i) =>
        Array.from({ length: TAKEN }, (_, n) => ({ id: `${person} ${n}`, course_id: courses[(i + n * 37) % COURSES]!, section_id: null, person_id: person, listed_name: null, joined_at: null })), // prettier-ignore
      );
      for (let i = 0; i < roster.length; i += 1000) await change.insert('roster', roster.slice(i, i + 1000));
      const entries = Array.from({ length: DUE }, (_, i) => {
        const due = day('2026-09-08').add({ days: (i * 7) % 100 });
        return assignment({ id: `e${i}` as EntryId, uid: `e${i}`, setUid: `e${i}-set`, title: `Work ${i}`, setOn: due.subtract({ days: 7 }), due: at(`${due}T17:00`), effortMinutes: 120, audience: [{ course: courses[i % COURSES]! }] }); // prettier-ignore
      });
      for (let i = 0; i < DUE; i += 1000) await addEntries(change, entries.slice(i, i + 1000));
    });
    const times: number[] = [];
    let found = { students: 0, items: 0 };
    for (let i = 0; i < rounds; i++) {
      const began = performance.now();
      const load = valueOf(await courseLoad(pembit, instructor, course));
      times.push(performance.now() - began);
      found = { students: load.students, items: load.items.length };
    }
    return { times, ...found };
  } finally {
    await school.close();
  }
}

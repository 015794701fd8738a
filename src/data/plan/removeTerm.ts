import type { TermId } from '@/core/ids';
import type { Reader } from '../reader';
import { select } from '../database';
import type { Change } from '../history/change';
import { removeWhole } from '../history/removeWhole';
import { calendarsInTerm, removeCalendar } from '../outside/calendars';
import type { Rows } from '../rows';
import { courseIdsOf } from './frameStore';
import type { CourseContents } from './removeCourse';
import { contentsOf, removeCourse } from './removeCourse';

/** What goes with a term: what goes with its courses, added up, and its own. */
export type TermContents = CourseContents &
  Readonly<{ courses: number; closures: number; siteDates: number; calendars: number }>;

const idsIn = async (reader: Reader, table: 'closures' | 'site_dates', term: TermId) =>
  (await select<{ id: string }>(reader, `SELECT id FROM ${table} WHERE term_id = :term`, { term })).map(
    ({ id }) => id,
  );

export async function termContents(reader: Reader, term: TermId): Promise<TermContents> {
  const courses = await courseIdsOf(reader, term);
  const held = await Promise.all(courses.map((course) => contentsOf(reader, course)));
  const sum = (of: keyof CourseContents) => held.reduce((total, one) => total + one[of], 0);
  return {
    courses: courses.length,
    entries: sum('entries'),
    sheets: sum('sheets'),
    bookings: sum('bookings'),
    students: sum('students'),
    closures: (await idsIn(reader, 'closures', term)).length,
    siteDates: (await idsIn(reader, 'site_dates', term)).length,
    calendars: (await calendarsInTerm(reader, term)).length,
  };
}

/** The codes of its courses that are not archived. */
export const runningIn = async (reader: Reader, term: TermId): Promise<string[]> =>
  (
    await select<Pick<Rows['courses'], 'code'>>(
      reader,
      'SELECT code FROM courses WHERE term_id = :term AND archived_at IS NULL ORDER BY code',
      { term },
    )
  ).map(({ code }) => code);

/** Takes a term away with all that is in it, row by row, so that the act can be undone. */
export async function removeTerm(change: Change, term: TermId): Promise<void> {
  for (const course of await courseIdsOf(change, term)) await removeCourse(change, course);
  for (const calendar of await calendarsInTerm(change, term)) await removeCalendar(change, calendar);
  await removeWhole(change, 'terms', term);
}

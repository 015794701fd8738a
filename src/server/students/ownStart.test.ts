import { Temporal } from 'temporal-polyfill';
import { beforeEach, describe, expect, test } from 'vitest';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool, workIn } from '../../../tests/support/school';
import { momentText } from '@/core/time/zonedWall';
import { courseLoad } from '../load/courseLoad';
import { undoChange } from '../history/undoChange';
import { changeEntry } from '../entries/changeEntry';
import { planEntry } from '../entries/planEntry';
import { planSeenBy } from '../plan/planSeenBy';
import type { SignedIn } from '../session/session';
import { tickDone } from './done';
import { beginCourse, ownStartsOf, startsForStaff } from './ownStart';

let school: School;
let one: SignedIn;
let two: SignedIn;
let entry: Awaited<ReturnType<typeof plan>>;
const plan = async () =>
  valueOf(
    await planEntry(
      school.pembit,
      school.instructor,
      workIn(school.course, {
        title: 'Unit 1',
        due: '2026-12-04T17:00',
        pacing: { unit: 'days', count: 14 },
      }),
    ),
  );
beforeEach(async () => {
  school = await newSchool();
  [one, two] = school.students as [SignedIn, SignedIn];
  entry = await plan();
  return () => school.close();
});

const on = (day: string) => Temporal.PlainDate.from(day);
const begin = (who: SignedIn, day: string | undefined, shared = false) =>
  beginCourse(school.pembit, who, school.course, { ...(day ? { on: on(day) } : {}), shared });
const dueFor = async (who: SignedIn) => {
  const seen = (await planSeenBy(school.pembit, who.viewer)).entries.find(({ id }) => id === entry.id);
  return seen?.kind === 'assignment' ? momentText(seen.due) : undefined;
};
const forStaff = async () =>
  startsForStaff(school.pembit, await planSeenBy(school.pembit, school.instructor.viewer), school.course);

describe('saying when one begins', () => {
  test('dates one’s work at once, nobody else’s, and is taken back', async () => {
    const said = await begin(one, '2026-10-12');
    expect(await dueFor(one)).toBe('2026-10-26T17:00');
    expect(await dueFor(two)).toBe('2026-12-04T17:00');
    expect(await dueFor(school.instructor)).toBe('2026-12-04T17:00');
    valueOf(await undoChange(school.pembit, one, historyOf(said)));
    expect(await dueFor(one)).toBe('2026-12-04T17:00');
  });

  test('is said anew, or not at all any more', async () => {
    valueOf(await begin(one, '2026-10-12'));
    valueOf(await begin(one, '2026-10-19', true));
    const plan = await planSeenBy(school.pembit, one.viewer);
    expect(await ownStartsOf(school.pembit, one, plan)).toMatchObject([{ on: '2026-10-19', shared: true }]);
    expect(await dueFor(one)).toBe('2026-11-02T17:00');
    valueOf(await begin(one, undefined));
    expect(await dueFor(one)).toBe('2026-12-04T17:00');
  });

  test('is refused outside the term, to the staff, and where nothing goes by it', async () => {
    expect(await begin(one, '2027-03-01')).toMatchObject({ fields: [{ field: 'on' }] });
    expect(await begin(school.instructor, '2026-10-12')).toMatchObject({ reason: 'notFound' });
    const other = await newSchool();
    const begun = await beginCourse(other.pembit, other.students[0]!, other.course, { on: on('2026-10-12'), shared: false }); // prettier-ignore
    await other.close();
    expect(begun).toMatchObject({ reason: 'notFound' });
  });
});

test('the staff see numbers, and by name those alone who share it, with their ticks', async () => {
  valueOf(await begin(one, '2026-10-12'));
  valueOf(await begin(two, '2026-10-13', true));
  valueOf(await tickDone(school.pembit, one, entry.id, true));
  valueOf(await tickDone(school.pembit, two, entry.id, true));
  expect(await forStaff()).toEqual({
    begun: 2,
    students: school.students.length,
    work: 1,
    sharing: [{ person: two.person.id, name: two.person.name, on: '2026-10-13', ticked: 1 }],
  });
  expect(await ownStartsOf(school.pembit, school.instructor, await planSeenBy(school.pembit, school.instructor.viewer))).toEqual([]); // prettier-ignore
});

test('weighs on the own day in the load of a course', async () => {
  valueOf(await begin(one, '2026-10-12'));
  const { items, dates } = valueOf(await courseLoad(school.pembit, school.instructor, school.course));
  const days = items.filter(({ id }) => id === entry.id).map(({ due, people }) => [String(dates[due]), people.length]);
  expect(days.sort()).toEqual([
    ['2026-10-26', 1],
    ['2026-12-04', school.students.length - 1],
  ]);
}); // prettier-ignore

test('stays where the work is changed, and the pace of the work counts', async () => {
  valueOf(await begin(one, '2026-10-12'));
  valueOf(await changeEntry(school.pembit, school.instructor, { id: entry.id, sequence: 0, scope: 'all' }, workIn(school.course, { due: '2026-12-04T17:00', pacing: { unit: 'weeks', count: 3 } }))); // prettier-ignore
  expect(await dueFor(one)).toBe('2026-11-01T17:00');
});

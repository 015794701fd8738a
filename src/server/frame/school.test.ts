import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { Temporal } from 'temporal-polyfill';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { asInserted } from '../../../tests/support/asInserted';
import { historyOf, valueOf as value } from '../../../tests/support/outcomes';
import type { CourseId } from '@/core/ids';
import { select } from '@/data/database';
import { TABLES } from '@/data/rows';
import { arrange } from '../people/arrange';
import { tickDone } from '../students/done';
import { loadPlan } from '@/data/plan/loadPlan';
import { planEntry } from '../entries/planEntry';
import { undoChange } from '../history/undoChange';
import type { SignedIn } from '../session/session';
import { sheetInput } from '@/core/signup/sheetInput';
import { offerTimes } from '../signup/offerTimes';
import { takeTime } from '../signup/takeTime';
import { cancelTime } from '../signup/cancelTimes';
import { archiveCourse, deleteCourse, deletionOf } from './archive';
import { changeSettings } from './settings';
import { addSiteDate, removeSiteDate } from './siteDates';
import { changeTerm, deleteTerm, previewTerm, termDeletion } from './terms';
import { writeThemes } from './themes';

let school: School;
let admin: SignedIn;
beforeAll(async () => {
  school = await newSchool();
  admin = { ...school.instructor, person: { ...school.instructor.person, isAdmin: true } };
});
afterAll(() => school.close());

const wall = (text: string) => Temporal.PlainDateTime.from(text);
const day = (text: string) => Temporal.PlainDate.from(text);
const plan = () => loadPlan(school.pembit, [school.course]);

const entry = () => ({
  kind: 'assignment' as const, title: 'Body plan', description: '', links: [], visibility: { kind: 'visible' as const }, handIn: '', latePolicy: '', extensions: [],
  due: wall('2026-10-29T17:00'), setOn: day('2026-10-22'), audience: [{ course: school.course }],
}); // prettier-ignore
const sheet = () => sheetInput.parse({
  title: 'Office hours', audience: [{ course: school.course }], rules: { perSheet: 2 },
  offering: { length: 30, stretches: [{ date: '2026-10-29', start: '12:00', end: '14:00' }] },
}); // prettier-ignore

describe('a term in another zone', () => {
  test('keeps what the clock shows, says so first, and goes back whole', async () => {
    value(await planEntry(school.pembit, school.instructor, entry()));
    value(await offerTimes(school.pembit, school.instructor, sheet()));
    const [term] = (await plan()).terms;
    const input = { name: term!.name, startsOn: term!.startsOn, endsOn: term!.endsOn, tzid: 'Europe/Oslo' };
    expect(await previewTerm(school.pembit, school.instructor, school.term, input)).toMatchObject({ reason: 'notYours' }); // prettier-ignore
    expect(value(await previewTerm(school.pembit, admin, school.term, input))).toEqual({ classesAdded: 0, classesLost: 0, entriesKept: 1, timesKept: 4, outside: 0 }); // prettier-ignore
    const before = await plan();
    const changed = await changeTerm(school.pembit, admin, school.term, input);
    const after = await plan();
    expect(after.entries[0]).toMatchObject({ tzid: 'Europe/Oslo', due: { wall: wall('2026-10-29T17:00') } });
    // 12:00 in Halifax (UTC-3) is 15:00Z; in Oslo, after the last Sunday of October (UTC+1), it is 11:00Z.
    expect(before.sheets[0]!.slots[0]!.interval.start.toString()).toBe('2026-10-29T15:00:00Z');
    expect(after.sheets[0]!.slots[0]!.interval.start.toString()).toBe('2026-10-29T11:00:00Z');
    value(await undoChange(school.pembit, admin, historyOf(changed)));
    const back = await plan();
    expect(back.sheets[0]!.slots).toEqual(before.sheets[0]!.slots);
    expect(back.entries[0]).toMatchObject({ tzid: 'America/Halifax' });
  });

  test('shorter dates say what lies outside', async () => {
    const [term] = (await plan()).terms;
    const { name, startsOn, tzid } = term!;
    const input = { name, startsOn, tzid, endsOn: day('2026-10-20') };
    expect(value(await previewTerm(school.pembit, admin, school.term, input)).outside).toBe(1);
  });
});

test('the school’s settings reach dates and weeks, are the administrator’s alone, and can be undone', async () => {
  const input = {
    name: 'Ropewalk',
    locale: 'fr-CA' as const,
    weekStart: 7 as const,
    keepYears: 5,
    secondStepForStaff: false,
  };
  expect(await changeSettings(school.pembit, school.instructor, input)).toMatchObject({ reason: 'notYours' });
  const first = await changeSettings(school.pembit, admin, { ...input, locale: 'en-GB', weekStart: 1 });
  value(first);
  const changed = await changeSettings(school.pembit, admin, input);
  expect(await plan()).toMatchObject({ locale: 'fr-CA', terms: [{ weekStart: 7 }] });
  value(await undoChange(school.pembit, admin, historyOf(changed)));
  expect(await plan()).toMatchObject({ locale: 'en-GB', terms: [{ weekStart: 1 }] });
});

test('dates for everyone come from the administrator alone', async () => {
  const input = {
    term: school.term,
    name: 'Drop day',
    firstDay: day('2026-10-30'),
    lastDay: day('2026-10-30'),
  };
  expect(await addSiteDate(school.pembit, school.instructor, input)).toMatchObject({ reason: 'notYours' });
  value(await addSiteDate(school.pembit, admin, input));
  const [date] = (await plan()).siteDates;
  expect(date!.end.toString()).toBe('2026-10-31');
  value(await removeSiteDate(school.pembit, admin, date!.id));
  expect((await plan()).siteDates).toEqual([]);
});

test('themes are written in order, changed and taken away', async () => {
  const themesNow = async () => [...(await plan()).courses[0]!.themes];
  value(await writeThemes(school.pembit, school.instructor, school.course, ['Lines', '', 'Fairing']));
  expect(await themesNow()).toEqual([[1, 'Lines'], [3, 'Fairing']]); // prettier-ignore
  value(
    await writeThemes(school.pembit, school.instructor, school.course, ['Lines and offsets', 'Body plan']),
  );
  expect(await themesNow()).toEqual([[1, 'Lines and offsets'], [2, 'Body plan']]); // prettier-ignore
  expect(await writeThemes(school.pembit, school.stranger, school.course, [])).toMatchObject({ reason: 'notFound' }); // prettier-ignore
});

test('a time that is taken off tells whoever had it', async () => {
  const [slot] = (await plan()).sheets[0]!.slots;
  value(await takeTime(school.pembit, school.students[0]!, slot!.id, {}));
  expect(await cancelTime(school.pembit, school.students[0]!, slot!.id)).toMatchObject({
    reason: 'notFound',
  });
  expect(value(await cancelTime(school.pembit, school.instructor, slot!.id))).toEqual({ told: 1 });
  const letters = await select<{ recipient: string; subject: string }>(school.pembit, `SELECT recipient, subject FROM outbox ORDER BY ${asInserted(school.pembit)}`); // prettier-ignore
  const recipient = school.students[0]!.person.email;
  expect(letters).toEqual([
    { recipient, subject: 'Your time: Office hours, Thu 29 Oct, 12:00–12:30' },
    { recipient, subject: 'Cancelled: Office hours, Thu 29 Oct, 12:00–12:30' },
  ]);
});

test('a course is archived, then closed to planning, deleted with everything in it, and brought back whole', async () => {
  const tables = ['courses', 'staff', 'sections', 'roster', 'entries', 'entry_audiences', 'sheets', 'sheet_audiences', 'hosts', 'slots', 'themes']; // prettier-ignore
  const rows = async () =>
    Object.fromEntries(
      await Promise.all(
        tables.map(async (t) => [t, await select(school.pembit, `SELECT * FROM ${t} ORDER BY id`)]),
      ),
    ) as Record<string, object[]>;
  expect(await deleteCourse(school.pembit, school.instructor, school.course)).toMatchObject({ reason: 'notArchived' }); // prettier-ignore
  expect(await archiveCourse(school.pembit, school.stranger, school.course, true)).toMatchObject({ reason: 'notFound' }); // prettier-ignore
  value(await archiveCourse(school.pembit, school.instructor, school.course, true));
  expect(await planEntry(school.pembit, school.instructor, entry())).toMatchObject({ reason: 'archived' });
  expect(value(await deletionOf(school.pembit, school.instructor, school.course))).toEqual({ entries: 1, sheets: 1, bookings: 0, students: 3 }); // prettier-ignore
  const before = await rows();
  const deleted = await deleteCourse(school.pembit, school.instructor, school.course);
  const gone = await rows();
  expect(gone.entries).toEqual([]);
  expect(gone.courses).toHaveLength(before.courses!.length - 1);
  value(await undoChange(school.pembit, school.instructor, historyOf(deleted)));
  const back = await rows();
  const growing = ({ sequence: _, modified_at: __, ...row }: Record<string, unknown>) => row;
  for (const table of tables)
    expect((back[table] as Record<string, unknown>[]).map(growing)).toEqual(
      (before[table] as Record<string, unknown>[]).map(growing),
    );
  value(await archiveCourse(school.pembit, school.instructor, school.course, false));
  value(await planEntry(school.pembit, school.instructor, { ...entry(), title: 'Fairing' }));
});

test('a term is deleted with what it holds once none of its courses runs, by the office alone, and comes back whole', async () => {
  const { pembit, term, instructor } = school;
  const [student] = school.students;
  const kept = valueOfEntry(await planEntry(pembit, instructor, { ...entry(), title: 'Lofting board' }));
  value(await arrange(pembit, instructor, { course: school.course, person: student!.person.id, days: 2 }));
  value(await tickDone(pembit, student!, kept, true));
  /** Every row there is; what grows with each act is left out. */
  const everything = async () => {
    const growing = ({ sequence: _, modified_at: __, ...row }: Record<string, unknown>) => row;
    const rows = TABLES.map(async (table) => [table, (await select<Record<string, unknown>>(pembit, `SELECT * FROM ${table} ORDER BY id`)).map(growing)]); // prettier-ignore
    return Object.fromEntries(await Promise.all(rows)) as Record<string, unknown[]>;
  };
  expect(await termDeletion(pembit, instructor, term)).toMatchObject({ reason: 'notYours' });
  expect(await deleteTerm(pembit, instructor, term)).toMatchObject({ reason: 'notYours' });
  expect(await deleteTerm(pembit, admin, term)).toMatchObject({ reason: 'coursesRun' });
  for (const { id } of await courseIds(term)) value(await archiveCourse(pembit, admin, id, true));
  const before = await everything();
  expect(before.arrangements).not.toEqual([]);
  expect(before.done_marks).not.toEqual([]);
  expect(value(await termDeletion(pembit, admin, term))).toMatchObject({ courses: 2, students: 4 });
  const deleted = await deleteTerm(pembit, admin, term);
  for (const table of ['terms', 'courses', 'entries', 'closures', 'arrangements', 'done_marks'])
    expect((await everything())[table], table).toEqual([]);
  value(await undoChange(pembit, admin, historyOf(deleted)));
  expect(await everything()).toEqual(before);
});

const valueOfEntry = (outcome: Awaited<ReturnType<typeof planEntry>>) => value(outcome).id;
const courseIds = (term: string) =>
  select<{ id: CourseId }>(school.pembit, 'SELECT id FROM courses WHERE term_id = :term', { term });

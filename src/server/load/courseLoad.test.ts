import { beforeEach, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import type { AssignmentEntry } from '@/core/entries/entry';
import { entryInput } from '@/core/entries/entryInput';
import type { CourseId, PersonId } from '@/core/ids';
import { recordChange } from '@/data/history/change';
import { changeCourse } from '../frame/courses';
import { planEntry } from '../entries/planEntry';
import { shiftEntries } from '../entries/shiftEntry';
import type { SignedIn } from '../session/session';
import { patternInput } from '@/core/frame/frameInput';
import { changeWeek } from '../frame/sections';
import { courseLoad } from './courseLoad';
import { proposeSpread, spreadInput } from './spreadWork';
import { rosterRow } from '@/data/people/memberRows';

let school: School;
/** Teaches the other course, which everybody takes, too. */
let neighbour: SignedIn;
beforeEach(async () => {
  school = await newSchool({ students: 6 });
  neighbour = { ...school.stranger, viewer: { ...school.stranger.viewer, staffOf: new Set([school.other]) } };
  await enrol(school.students.map(({ person }) => person.id));
  return () => school.close();
});

const enrol = (people: readonly PersonId[]) =>
  recordChange(school.pembit.queue, { act: 'test', summary: '', actor: null, nowMs: 0 }, async (change) => {
    await change.insert('roster', people.map((person) => rosterRow({ course: school.other, person }))); // prettier-ignore
  });
const work = async (due: string, { by = school.instructor, course = school.course, ...changes }: { by?: SignedIn; course?: CourseId; [key: string]: unknown } = {}) =>
  valueOf(await planEntry(school.pembit, by, entryInput.parse({ kind: 'assignment', title: `Due ${due}`, due, audience: [{ course }], ...changes }))) as AssignmentEntry; // prettier-ignore
const load = async (options: Parameters<typeof courseLoad>[3] = {}) =>
  valueOf(await courseLoad(school.pembit, school.instructor, school.course, options));
const on = async (date: string, options: Parameters<typeof courseLoad>[3] = {}) => {
  const found = await load(options);
  const day = found.days[found.dates.findIndex((d) => d.toString() === date)]!;
  return { ...day, own: day.own.map((item) => item.title) };
};

test('hours of class: a class of the night counts its hours, a week that is planned as a whole has none', async () => {
  const { pembit, instructor, section } = school;
  const meets = (week: string) =>
    changeWeek(pembit, instructor, section, patternInput.parse({ from: '2026-09-08', week }));
  const first = async () => (await load()).classMinutes.find((minutes) => minutes !== 0);
  valueOf(await meets('Fri 22-1'));
  expect(await first()).toBe(180);
  valueOf(await meets('by week'));
  expect(await first()).toBeUndefined();
});

test('what others plan counts for the same students, without a title, once they see it', async () => {
  await work('2026-10-22T17:00');
  await work('2026-10-22T09:00', { by: neighbour, course: school.other });
  await work('2026-10-23T09:00', { by: neighbour, course: school.other, visibility: { kind: 'draft' } });
  await work('2026-10-23T10:00', { by: neighbour, course: school.other, visibility: { kind: 'before', days: 3 } }); // prettier-ignore
  await work('2026-10-23T11:00', { by: neighbour, course: school.other, visibility: { kind: 'from', from: '2026-10-13T00:00' } }); // prettier-ignore
  expect(await on('2026-10-22')).toEqual({ own: ['Due 2026-10-22T17:00'], others: 1, titles: [], concerned: 6, alarmed: 6 }); // prettier-ignore
  expect(await on('2026-10-23')).toEqual({ own: [], others: 1, titles: [], concerned: 6, alarmed: 0 });
  expect(await on('2026-10-22', { alarm: 3 })).toMatchObject({ alarmed: 0 });
});

test('a course that shares its titles lets colleagues read them, and not of fewer than five students', async () => {
  const few = school.students.slice(0, 4).map(({ person }) => person.id);
  const other = valueOf(await courseLoad(school.pembit, neighbour, school.other)).course;
  valueOf(await changeCourse(school.pembit, neighbour, school.other, { ...other, sharesTitles: true }));
  await work('2026-10-22T09:00', { by: neighbour, course: school.other });
  await work('2026-10-22T10:00', { by: neighbour, course: school.other, audience: [{ course: school.other, people: few }] }); // prettier-ignore
  expect(await on('2026-10-22')).toMatchObject({ own: [], others: 1, titles: ['NV Due 2026-10-22T09:00'] });
});

test('an extended due date in a course of others is not told of: it would be somebody’s', async () => {
  const extensions = [{ person: school.students[0]!.person.id, due: '2026-10-26T17:00' }];
  await work('2026-10-22T09:00', { by: neighbour, course: school.other, extensions });
  expect(await on('2026-10-22')).toMatchObject({ others: 1, concerned: 5 });
  expect(await on('2026-10-26')).toMatchObject({ others: 0, concerned: 0 });
});

test('of fewer than five students nothing is told of what others plan', async () => {
  const few = school.students.slice(0, 4).map(({ person }) => person.id);
  await work('2026-10-22T09:00', { by: neighbour, course: school.other, audience: [{ course: school.other, people: few }] }); // prettier-ignore
  expect(await on('2026-10-22')).toEqual({ own: [], others: 0, titles: [], concerned: 0, alarmed: 0 });
  await work('2026-10-22T10:00', { audience: [{ course: school.course, people: few }] });
  expect(await on('2026-10-22')).toMatchObject({ own: ['Due 2026-10-22T10:00'], concerned: 4 });
});

test('an extended due date counts on its own day; what is being dated is left out', async () => {
  const student = school.students[0]!.person.id;
  const entry = await work('2026-10-22T17:00', {
    extensions: [{ person: student, due: '2026-10-26T17:00' }],
  });
  expect([(await on('2026-10-22')).concerned, (await on('2026-10-26')).concerned]).toEqual([5, 1]);
  expect((await on('2026-10-22', { without: entry.id })).concerned).toBe(0);
});

test('hours: work from the day it is given out, in the weeks of the term', async () => {
  await work('2026-10-23T17:00', { setOn: '2026-10-19', effortMinutes: 300 });
  await work('2026-10-30T17:00', { by: neighbour, course: school.other, setOn: '2026-10-26', effortMinutes: 60 }); // prettier-ignore
  const { workMinutes, otherMinutes, weeks } = await load();
  const seventh = weeks.findIndex(({ first }) => first.toString() === '2026-10-19');
  expect(Math.round(workMinutes[seventh]!)).toBe(300);
  expect(workMinutes.reduce((sum, minutes) => sum + minutes, 0)).toBeCloseTo(300, 6);
  expect(otherMinutes[seventh + 1]).toBeCloseTo(60, 6);
});

test('a proposal avoids days that are too full, and is taken with what hangs on each date', async () => {
  const { pembit, instructor, course } = school;
  const made = [await work('2026-10-20T17:00', { setOn: '2026-10-16' }), await work('2026-10-20T18:00')];
  await work('2026-10-27T09:00', { by: neighbour, course: school.other });
  const input = spreadInput.parse({ course, entries: made.map(({ id }) => id), earliest: '2026-10-20', latest: '2026-10-27', gap: 3 }); // prettier-ignore
  const { moves, alarmedNow, alarmedThen } = valueOf(await proposeSpread(pembit, instructor, input));
  expect(moves.map(({ to }) => to.toString())).toEqual(['2026-10-20', '2026-10-26']);
  expect([alarmedNow, alarmedThen]).toEqual([12, 0]);
  const items = moves.flatMap(({ from, to }, i) => (from.equals(to) ? [] : [{ id: made[i]!.id, days: from.until(to).days }])); // prettier-ignore
  valueOf(await shiftEntries(pembit, instructor, items, { days: 1, along: true }));
  expect((await on('2026-10-26')).own).toEqual(['Due 2026-10-20T18:00']);
  const none = spreadInput.parse({ ...input, course, entries: input.entries, earliest: '2026-10-24', latest: '2026-10-25' }); // prettier-ignore
  expect(await proposeSpread(pembit, instructor, none)).toMatchObject({ fields: [{ field: 'latest' }] });
  expect(await proposeSpread(pembit, neighbour, input)).toMatchObject({ reason: 'notFound' });
});

import { beforeEach, expect, test } from 'vitest';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool, workIn } from '../../../tests/support/school';
import type { EntryId } from '@/core/ids';
import { momentText } from '@/core/time/zonedWall';
import { select } from '@/data/database';
import { changeEntry } from '../entries/changeEntry';
import { planEntry } from '../entries/planEntry';
import { shiftEntries } from '../entries/shiftEntry';
import { undoChange } from '../history/undoChange';
import { planSeenBy } from '../plan/planSeenBy';
import type { SignedIn } from '../session/session';
import { arrange } from './arrange';

let school: School;
beforeEach(async () => {
  school = await newSchool();
  return () => school.close();
});

const work = (json: object = {}) => workIn(school.course, json);
const plan = async (json: object = {}) =>
  valueOf(await planEntry(school.pembit, school.instructor, work(json)));
const give = (student: SignedIn, days: number, who = school.instructor) =>
  arrange(school.pembit, who, { course: school.course, person: student.person.id, days });
const dueOf = async (who: SignedIn, id: EntryId) => {
  const entry = (await planSeenBy(school.pembit, who.viewer)).entries.find((each) => each.id === id);
  return entry?.kind === 'assignment' ? momentText(entry.due) : undefined;
};

test('more time holds for what is planned already, for what comes later, and for what moves; for one student alone', async () => {
  const [one, two] = school.students as [SignedIn, SignedIn];
  const before = await plan();
  const act = await give(one, 2);
  expect(valueOf(act)).toEqual({ changed: 1 });
  const after = await plan({ title: 'Offsets', due: '2026-11-03T17:00', closes: '2026-11-05T18:00' });
  expect(await dueOf(one, before.id)).toBe('2026-10-24T17:00');
  expect(await dueOf(one, after.id)).toBe('2026-11-05T17:00');
  expect(await dueOf(two, after.id)).toBe('2026-11-03T17:00');
  valueOf(
    await shiftEntries(school.pembit, school.instructor, [{ id: after.id }], { days: 1, along: false }),
  );
  expect(await dueOf(one, after.id)).toBe('2026-11-06T17:00');
  valueOf(await undoChange(school.pembit, school.instructor, historyOf(await give(two, 3))));
  expect(await dueOf(two, before.id)).toBe('2026-10-22T17:00');
  valueOf(await give(one, 0));
  expect(await dueOf(one, before.id)).toBe('2026-10-22T17:00');
});

test('a date of one’s own goes before what is arranged; other students and the history learn of neither', async () => {
  const [one] = school.students as [SignedIn];
  valueOf(await give(one, 2));
  const entry = await plan();
  const input = work({ extensions: [{ person: one.person.id, due: '2026-10-30T17:00' }] });
  valueOf(await changeEntry(school.pembit, school.instructor, { id: entry.id, sequence: 0, scope: 'all' }, input)); // prettier-ignore
  expect(await dueOf(one, entry.id)).toBe('2026-10-30T17:00');
  const told = await select<{ scope: string }>(school.pembit, `SELECT scope FROM event_scopes JOIN events ON events.id = event_id WHERE type = 'dueExtended'`); // prettier-ignore
  expect(new Set(told.map(({ scope }) => scope))).toEqual(new Set([`person:${one.person.id}`]));
});

test('work that is over stays as it was; whoever does not plan the course arranges nothing, nor for others than its students', async () => {
  const [one] = school.students as [SignedIn];
  const past = await plan({ due: '2026-10-12T17:00' });
  expect(valueOf(await give(one, 2))).toEqual({ changed: 0 });
  expect(await dueOf(one, past.id)).toBe('2026-10-12T17:00');
  expect(await give(one, 2, school.stranger)).toMatchObject({ reason: 'notFound' });
  expect(await give(one, 2, one)).toMatchObject({ reason: 'notFound' });
  expect(await give(school.stranger, 2)).toMatchObject({ fields: [{ field: 'person' }] });
});

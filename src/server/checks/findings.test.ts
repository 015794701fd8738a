import { afterAll, beforeAll, expect, test } from 'vitest';
import { findingKey } from '@/core/checks/check';
import { entryInput } from '@/core/entries/entryInput';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { changeEntryLine } from '../entries/changeEntryLine';
import { planEntry } from '../entries/planEntry';
import { patternInput, sectionInput } from '@/core/frame/frameInput';
import { addSection, changeWeek } from '../frame/sections';
import { undoChange } from '../history/undoChange';
import { bringBackFinding, dismissFinding } from './dismiss';
import { findingsOf } from './findings';
import { previewChecks } from './previewChecks';
import { Temporal } from 'temporal-polyfill';

let school: School;
beforeAll(async () => void (school = await newSchool()));
afterAll(() => school.close());

const work = (due: string) =>
  entryInput.parse({ kind: 'assignment', title: 'Body plan', due, audience: [{ course: school.course }] });
const open = async (actor = school.instructor) =>
  (await findingsOf(school.pembit, actor)).open
    .map((finding) => findingKey(finding).split(' ')[0])
    .filter((check) => check !== 'courseUnpublished');
const leftOut = async () => (await findingsOf(school.pembit, school.instructor)).dismissed;

test('a finding is left out with a reason, brought back, undone, and comes back when the entry changes', async () => {
  const { pembit, instructor } = school;
  const entry = valueOf(await planEntry(pembit, instructor, work('2026-10-24T17:00')));
  expect(await open()).toEqual(['onWeekend']);
  const key = findingKey((await findingsOf(pembit, instructor)).open.find((f) => f.check === 'onWeekend')!);

  const dismissed = await dismissFinding(pembit, instructor, { key, reason: 'We meet on Saturday' });
  expect(await open()).toEqual([]);
  expect((await leftOut())[0]?.dismissal).toMatchObject({ reason: 'We meet on Saturday', by: 'Person 0' });
  valueOf(await undoChange(pembit, instructor, historyOf(dismissed)));
  expect(await open()).toEqual(['onWeekend']);

  valueOf(await dismissFinding(pembit, instructor, { key, reason: '' }));
  valueOf(await bringBackFinding(pembit, instructor, (await leftOut())[0]!.dismissal.id));
  expect(await open()).toEqual(['onWeekend']);

  valueOf(await dismissFinding(pembit, instructor, { key, reason: '' }));
  const line = { title: 'Body plan', on: Temporal.PlainDateTime.from('2026-10-25T17:00') };
  valueOf(await changeEntryLine(pembit, instructor, { id: entry.id, sequence: entry.sequence }, line));
  expect(await open()).toEqual(['onWeekend']);
});

test('whoever does not teach the course finds nothing, and can leave nothing out', async () => {
  const { pembit, stranger, students, instructor } = school;
  const key = findingKey((await findingsOf(pembit, instructor)).open.find((f) => f.check === 'onWeekend')!);
  for (const actor of [stranger, students[0]!]) {
    expect(await open(actor)).toEqual([]);
    expect(await dismissFinding(pembit, actor, { key, reason: '' })).toMatchObject({ reason: 'notFound' });
  }
});

test('what is being written is checked before it is saved', async () => {
  const { pembit, instructor, stranger } = school;
  const found = valueOf(await previewChecks(pembit, instructor, { input: work('2026-10-22T00:00') }));
  expect(found.map((finding) => finding.check)).toEqual(['dueAtMidnight', 'sameTitle']);
  expect(await previewChecks(pembit, stranger, { input: work('2026-10-22T00:00') })).toMatchObject({ reason: 'notYours' }); // prettier-ignore
});

test('a room that a colleague has at the time is found by both, and by nobody once it is another', async () => {
  const { pembit, instructor, stranger, section, other } = school;
  const office = { ...stranger, person: { ...stranger.person, isAdmin: true } };
  const clashes = async () => (await open()).filter((check) => check === 'roomClash').length;
  valueOf(await changeWeek(pembit, instructor, section, patternInput.parse({ from: '2026-09-08', week: 'Tue 10-11 in Shed 2' }))); // prettier-ignore
  expect(await clashes()).toBe(0);
  valueOf(
    await addSection(
      pembit,
      office,
      other,
      sectionInput.parse({ name: 'N', week: 'Tue 10:30-12 in shed 2' }),
    ),
  );
  // Every Tuesday from today on: of the past nothing is said.
  expect(await clashes()).toBe(10);
  valueOf(await changeWeek(pembit, instructor, section, patternInput.parse({ from: '2026-09-08', week: 'Tue 10-11 in Shed 3' }))); // prettier-ignore
  expect(await clashes()).toBe(0);
});

import { randomUUID } from 'node:crypto';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool, withSectionB, workIn } from '../../../tests/support/school';
import type { SectionId } from '@/core/ids';
import { outletInput } from '@/core/outlets/outletInput';
import { sheetInput } from '@/core/signup/sheetInput';
import { select } from '@/data/database';
import { planEntry } from '../entries/planEntry';
import { undoChange } from '../history/undoChange';
import { publish } from '../outlets/publish';
import { planSeenBy, wholePlanOf } from '../plan/planSeenBy';
import { writeTopics } from '../plan/classPlans';
import { offerTimes } from '../signup/offerTimes';
import { mergeSections, previewMerge } from './mergeSections';

let school: School;
let b: SectionId;
beforeEach(async () => {
  school = await newSchool();
  b = await withSectionB(school);
});
afterEach(() => school.close());

/** Every row that a merge may touch, stamps apart. */
async function state() {
  const tables = ['sections', 'patterns', 'meetings', 'roster', 'class_plans', 'plan_bindings', 'entries', 'entry_audiences', 'sheets', 'sheet_audiences', 'outlets']; // prettier-ignore
  const all = await Promise.all(tables.map((table) => select<Record<string, unknown>>(school.pembit, `SELECT * FROM ${table} ORDER BY id`))); // prettier-ignore
  return all.map((rows) => rows.map(({ sequence: _, modified_at: __, ...row }) => row));
}

test('what a merge does is said, done in one act, and undone to the last row', async () => {
  const { pembit, instructor, course, section } = school;
  valueOf(await planEntry(pembit, instructor, workIn(course, { title: 'For B', audience: [{ course, sections: [b] }] }))); // prettier-ignore
  valueOf(await planEntry(pembit, instructor, workIn(course, { title: 'At class 9', due: undefined, atClass: { due: { ordinal: 9 } } }))); // prettier-ignore
  valueOf(await offerTimes(pembit, instructor, sheetInput.parse({ title: 'Hours of B', audience: [{ course, sections: [b] }], rules: { perSheet: 2 }, offering: { length: 30, stretches: [{ date: '2026-10-20', start: '12:00', end: '14:00' }] } }))); // prettier-ignore
  valueOf(await publish(pembit, instructor, outletInput.parse({ kind: 'feed', audience: 'roster', name: 'Both', courses: [course], sections: [section, b] }))); // prettier-ignore
  valueOf(await writeTopics(pembit, instructor, course, { list: 'Lines\nFairing', from: 1 }));
  const before = await state();
  const ids = { from: b, into: section };
  expect(valueOf(await previewMerge(pembit, instructor, ids))).toMatchObject({
    from: 'B', into: 'A', students: 1, classes: 30, waiting: [], entries: ['For B'], sheets: ['Hours of B'], taken: 0, outlets: ['Both'],
  }); // prettier-ignore
  expect(await state()).toEqual(before);
  const done = await mergeSections(pembit, instructor, ids);
  expect(valueOf(done)).toEqual({ students: 1 });
  const plan = (await wholePlanOf(pembit, instructor, course))!;
  expect(plan.courses[0]!.sections.map(({ name, students }) => `${name} ${students}`)).toEqual(['A 3']);
  const audience = (title: string) => plan.entries.find((e) => e.title === title && e.kind !== 'note');
  expect(audience('For B')).toMatchObject({ audience: [{ course, sections: [section] }] });
  expect(plan.sheets.map((sheet) => sheet.audience)).toEqual([[{ course, sections: [section] }]]);
  const moved = await planSeenBy(pembit, (await school.signedIn(school.students[0]!.person.id)).viewer);
  expect(moved.classes.every((c) => c.section.id === section)).toBe(true);
  expect(moved.entries.map(({ title }) => title).sort()).toEqual(['At class 9', 'For B']);
  valueOf(await undoChange(pembit, instructor, historyOf(done)));
  expect(await state()).toEqual(before);
});

test('a section is merged by whoever may change the frame, into one of its own course alone', async () => {
  const { pembit, instructor, stranger, section } = school;
  const ids = { from: b, into: section };
  for (const outcome of [
    await mergeSections(pembit, stranger, ids),
    await previewMerge(pembit, stranger, ids),
    await mergeSections(pembit, instructor, { from: b, into: b }),
    await mergeSections(pembit, instructor, { from: b, into: randomUUID() as SectionId }),
  ])
    expect(outcome).toMatchObject({ ok: false, reason: 'notFound' });
});

import { afterAll, beforeAll, expect, test } from 'vitest';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { entryInput } from '@/core/entries/entryInput';
import type { EntryInput } from '@/core/entries/entryInput';
import type { HistoryId } from '@/core/ids';
import { select } from '@/data/database';
import { changeEntry } from '../entries/changeEntry';
import { deleteEntry } from '../entries/deleteEntry';
import { planEntry } from '../entries/planEntry';
import { shiftEntries } from '../entries/shiftEntry';
import { removeGroup, writeGroup } from '../people/groups';
import { undoChange } from './undoChange';

let school: School;
beforeAll(async () => {
  school = await newSchool();
});
afterAll(() => school.close());

const input = (changes: Record<string, unknown> = {}): EntryInput =>
  entryInput.parse({
    kind: 'assignment',
    title: 'Half-breadth plan',
    audience: [{ course: school.course }],
    links: [{ url: 'https://library.example/offsets', label: 'Offsets' }],
    setOn: '2026-10-05',
    due: '2026-10-15T17:00',
    ...changes,
  });

/** Every row an entry consists of; what only grows is left out. */
async function stateOf() {
  const rows = await Promise.all(
    ['entries', 'entry_audiences', 'links', 'extensions'].map((table) =>
      select<Record<string, unknown>>(school.pembit, `SELECT * FROM ${table} ORDER BY id`),
    ),
  );
  return rows.map((list) => list.map(({ sequence: _, modified_at: __, ...row }) => row));
}
async function must<T extends { ok: boolean }>(work: Promise<T>): Promise<Extract<T, { ok: true }>> {
  const outcome = await work;
  if (!outcome.ok) throw new Error(JSON.stringify(outcome));
  return outcome as Extract<T, { ok: true }>;
}
const undo = (history: string | undefined) =>
  undoChange(school.pembit, school.instructor, history as HistoryId);

test('adding, changing and deleting an entry are undone to the exact state, sequence grown', async () => {
  const empty = await stateOf();
  const added = await must(planEntry(school.pembit, school.instructor, input()));
  const planned = await stateOf();
  const { id } = added.value;

  const changed = await must(
    changeEntry(school.pembit, school.instructor, { id, sequence: 0, scope: 'all' }, input({ title: 'Moved', due: '2026-10-16', links: [], audience: [{ course: school.course, sections: [school.section] }] })),
  ); // prettier-ignore
  expect(await stateOf()).not.toEqual(planned);
  await must(undo(changed.history));
  expect(await stateOf()).toEqual(planned);
  const [row] = await select<{ sequence: number }>(
    school.pembit,
    'SELECT sequence FROM entries WHERE id = :id',
    { id },
  );
  expect(row!.sequence).toBeGreaterThan(changed.value.entry.sequence);

  const deleted = await must(deleteEntry(school.pembit, school.instructor, id));
  expect(await stateOf()).toEqual(empty);
  await must(undo(deleted.history));
  expect(await stateOf()).toEqual(planned);

  expect(await undo(deleted.history)).toMatchObject({ ok: false, reason: 'alreadyUndone' });
});

test('an act on which later changes rest is refused, with what they are, and nothing is written', async () => {
  const added = await must(planEntry(school.pembit, school.instructor, input({ title: 'Bevels' })));
  await must(
    changeEntry(
      school.pembit,
      school.instructor,
      { id: added.value.id, sequence: 0, scope: 'all' },
      input({ title: 'Bevels II' }),
    ),
  );
  const before = await stateOf();
  expect(await undo(added.history)).toMatchObject({
    ok: false,
    reason: 'laterChanges',
    fields: [{ field: 'entries' }],
  });
  expect(await stateOf()).toEqual(before);
});

test('what was moved on and back by other acts is as it was left: the act before can still be undone', async () => {
  const { pembit, instructor, students } = school;
  const added = await must(planEntry(pembit, instructor, input({ title: 'Fair copy' })));
  const { id } = added.value;
  const extended = (due: string) => input({ title: 'Fair copy', extensions: [{ person: students[0]!.person.id, due }] }); // prettier-ignore
  await must(
    changeEntry(pembit, instructor, { id, sequence: 0, scope: 'all' }, extended('2026-10-20T17:00')),
  );
  const before = await stateOf();
  const move = async (days: number) =>
    must(shiftEntries(pembit, instructor, [{ id }], { days, along: true }));
  const first = await move(-8);
  await move(-1);
  await move(1);
  await must(undo(first.history));
  expect(await stateOf()).toEqual(before);
});

test('what would hang on something that is gone is refused, and nothing is written', async () => {
  const { pembit, instructor, course, students } = school;
  const people = students.slice(0, 2).map(({ person }) => person.id);
  const { id } = (await must(writeGroup(pembit, instructor, { course }, { name: 'Team', people }))).value;
  const emptied = await must(
    writeGroup(pembit, instructor, { course, group: id }, { name: 'Team', people: [] }),
  );
  await must(removeGroup(pembit, instructor, { course, group: id }));
  expect(await undoChange(pembit, instructor, emptied.history as HistoryId)).toMatchObject({ ok: false, reason: 'laterChanges' }); // prettier-ignore
  expect(await select(pembit, 'SELECT * FROM group_members')).toEqual([]);
});

test('two people editing the same entry: the later one is refused', async () => {
  const added = await must(planEntry(school.pembit, school.instructor, input({ title: 'Fairing' })));
  const change = (title: string) =>
    changeEntry(
      school.pembit,
      school.instructor,
      { id: added.value.id, sequence: 0, scope: 'all' },
      input({ title }),
    );
  const answers = await Promise.all([change('One'), change('Two')]);
  expect(answers.map((answer) => (answer.ok ? 'saved' : answer.reason))).toEqual([
    'saved',
    'changedMeanwhile',
  ]);
});

test('students undo nothing of the staff’s, strangers plan nothing', async () => {
  const added = await must(planEntry(school.pembit, school.instructor, input({ title: 'Moulds' })));
  const [student] = school.students;
  expect(await undoChange(school.pembit, student!, added.history as HistoryId)).toMatchObject({
    ok: false,
    reason: 'notFound',
  });
  expect(await deleteEntry(school.pembit, student!, added.value.id)).toMatchObject({
    ok: false,
    reason: 'notFound',
  });
  expect(await planEntry(school.pembit, school.stranger, input())).toMatchObject({
    ok: false,
    reason: 'notYours',
  });
});

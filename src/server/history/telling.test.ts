import { beforeEach, describe, expect, test } from 'vitest';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool, toldAtOnce, workIn } from '../../../tests/support/school';
import type { Entry } from '@/core/entries/entry';
import { closureInput, meetingInput, patternInput } from '@/core/frame/frameInput';
import { NO_PERSON_SETTINGS } from '@/core/frame/personSettings';
import { USUAL_LETTERS } from '@/core/mail/letters';
import type { Outcome } from '@/core/refusals';
import { select } from '@/data/database';
import { loadFrame } from '@/data/plan/loadPlan';
import { actOnSeveral } from '../entries/bulk';
import { cancelEntry } from '../entries/cancelEntry';
import { changeEntry } from '../entries/changeEntry';
import { changeEntryLine } from '../entries/changeEntryLine';
import { deleteEntry } from '../entries/deleteEntry';
import { planEntry } from '../entries/planEntry';
import { shiftEntries } from '../entries/shiftEntry';
import { addClosure } from '../frame/closures';
import { changeMeeting } from '../frame/changeMeeting';
import { changeWeek } from '../frame/sections';
import { planSeenBy } from '../plan/planSeenBy';
import { recordShown } from '../plan/recordShown';
import { changesFor } from '../students/changes';
import { changeOwnSettings } from '../students/settings';
import type { SignedIn } from '../session/session';
import { seenBefore } from './seenBefore';
import { claimLetters } from '@/data/mail/outbox';
import { PermanentRefusal } from '../mail/carrier';
import { sendDueMail } from '../mail/sendMail';
import { lettersSoFar } from './lettersSoFar';
import { HELD_MS, tellChange, waveOff } from './tellChange';
import { goneEntry, trustOfEntry } from './trustLines';
import { undoChange } from './undoChange';

let school: School;
let one: SignedIn, two: SignedIn, three: SignedIn;
beforeEach(async () => {
  school = await newSchool();
  [one, two, three] = school.students as [SignedIn, SignedIn, SignedIn];
  await toldAtOnce(school, school.students);
  return () => school.close();
});

const work = (json: object = {}) => workIn(school.course, json);
const plan = async (json: object = {}): Promise<Entry> =>
  valueOf(await planEntry(school.pembit, school.instructor, work(json)));
const show = async (...students: readonly SignedIn[]) => {
  for (const student of students)
    await recordShown(school.pembit, student.person.id, await planSeenBy(school.pembit, student.viewer));
  await school.pembit.queue.drained();
};
const seen = async (act: Outcome<unknown>) =>
  valueOf(await seenBefore(school.pembit, school.instructor, historyOf(act))).seen;
const lettersTo = async ({ person }: SignedIn) =>
  (await select<{ body: string }>(school.pembit, 'SELECT body FROM outbox WHERE recipient = :email ORDER BY created_at', { email: person.email })).map(({ body }) => body); // prettier-ignore

describe('the offer to tell hangs on what changed, by whichever door', () => {
  const change = (entry: Entry, json: object) =>
    changeEntry(school.pembit, school.instructor, { id: entry.id, sequence: entry.sequence, scope: 'all' }, work(json)); // prettier-ignore
  test.each<[string, (entry: Entry) => Promise<Outcome<unknown>>, number]>([
    ['dragging', (entry) => shiftEntries(school.pembit, school.instructor, [{ id: entry.id }], { days: 1, along: false }), 2],
    ['the form, another date', (entry) => change(entry, { due: '2026-10-23T17:00' }), 2],
    ['the form, how it is handed in', (entry) => change(entry, { handIn: 'On paper' }), 2],
    ['the form, points', (entry) => change(entry, { points: 20 }), 2],
    ['the form, its text', (entry) => change(entry, { description: '<p>Bring battens.</p>' }), 2],
    ['the form, somebody’s own date', (entry) => change(entry, { extensions: [{ person: one.person.id, due: '2026-10-24T17:00' }] }), 1],
    ['the form, for others', (entry) => change(entry, { audience: [{ course: school.course, people: [three.person.id] }] }), 2],
    ['the form, what nobody sees', (entry) => change(entry, { links: [], effortMinutes: 120 }), 0],
    ['the list', (entry) => changeEntryLine(school.pembit, school.instructor, { id: entry.id, sequence: entry.sequence }, { title: 'Model', on: entry.kind === 'assignment' && 'wall' in entry.due ? entry.due.wall : undefined! }), 2],
    ['calling off', (entry) => cancelEntry(school.pembit, school.instructor, entry.id, { reason: 'Storm' }), 2],
    ['deleting', (entry) => deleteEntry(school.pembit, school.instructor, entry.id), 2],
    ['giving back to drafts', (entry) => actOnSeveral(school.pembit, school.instructor, [entry.id], { act: 'draft' }), 2],
  ])('%s', async (_, act, expected) => {
    const entry = await plan();
    await show(one, two);
    expect(await seen(await act(entry))).toBe(expected);
  }); // prettier-ignore

  test('a class that is moved, called off or struck by a closure', async () => {
    const { pembit, instructor, course, section } = school;
    valueOf(await changeWeek(pembit, instructor, section, patternInput.parse({ from: '2026-09-08', week: 'Tue 10-11' }))); // prettier-ignore
    const [meeting] = (await loadFrame(pembit, [course])).courses[0]!.sections[0]!.meetings.slice(7);
    const off = await changeMeeting(pembit, instructor, meeting!.id, meetingInput.parse({ act: 'cancel', reason: 'ill' })); // prettier-ignore
    expect(await seen(off)).toBe(3);
    const closure = closureInput.parse({ term: school.term, course, name: 'Storm', firstDay: '2026-11-03', lastDay: '2026-11-03' }); // prettier-ignore
    const closed = await addClosure(pembit, instructor, closure);
    expect(await seen(closed)).toBe(3);
    expect(await seen(await undoChange(pembit, instructor, historyOf(closed)))).toBe(3);
  });
});

describe('telling', () => {
  test('says to each their own date, in their own way of writing it, and is done once', async () => {
    const entry = await plan({ extensions: [{ person: two.person.id, due: '2026-10-23T17:00' }] });
    await show(one, two, three);
    valueOf(await changeOwnSettings(school.pembit, three, { ...NO_PERSON_SETTINGS, letters: { ...USUAL_LETTERS, changes: 'now' }, clock: 12, tzid: 'Europe/Lisbon' })); // prettier-ignore
    const moved = await shiftEntries(school.pembit, school.instructor, [{ id: entry.id }], { days: 1, along: true }); // prettier-ignore
    expect(valueOf(await tellChange(school.pembit, school.instructor, historyOf(moved)))).toEqual({
      told: 3,
      gathered: 0,
    });
    expect((await lettersTo(one))[0]).toContain('it was Thu 22 Oct, 17:00; it is now Fri 23 Oct, 17:00.');
    expect((await lettersTo(two))[0]).toContain('it was Fri 23 Oct, 17:00; it is now Sat 24 Oct, 17:00.');
    expect((await lettersTo(three))[0]).toContain('it is now Fri 23 Oct, 5:00\u00a0pm (Fri 23 Oct, 9:00\u00a0pm where you are).'); // prettier-ignore
    expect(await seen(moved)).toBe(0);
    expect(await tellChange(school.pembit, school.instructor, historyOf(moved))).toMatchObject({ reason: 'toldAlready' }); // prettier-ignore
  });

  test('is offered no more once everybody has seen it as it is; what staff alone follow is told nobody', async () => {
    const { pembit, instructor } = school;
    const entry = await plan();
    await show(one, two);
    const moved = await shiftEntries(pembit, instructor, [{ id: entry.id }], { days: 1, along: false });
    await show(two);
    expect(await seen(moved)).toBe(1);
    await show(one);
    expect(await seen(moved)).toBe(0);
    const links = [{ url: 'https://answers.example/key', staffOnly: true }];
    const asked = { id: entry.id, sequence: 1, scope: 'all' } as const;
    expect(
      await seen(await changeEntry(pembit, instructor, asked, work({ due: '2026-10-23T17:00', links }))),
    ).toBe(0);
    expect(valueOf(await trustOfEntry(pembit, one, entry.id)).lines).toHaveLength(1);
  });

  test('goes to nobody whose own date stays, or who came to see it after the change', async () => {
    const entry = await plan({ extensions: [{ person: two.person.id, due: '2026-10-30T17:00' }] });
    await show(one, two);
    school.later(60_000);
    const moved = await shiftEntries(school.pembit, school.instructor, [{ id: entry.id }], { days: 1, along: false }); // prettier-ignore
    school.later(120_000);
    await show(three);
    expect(await seen(moved)).toBe(1);
  });

  test('can be waved off; an undoing is offered in its turn', async () => {
    const entry = await plan();
    await show(one);
    const moved = await shiftEntries(school.pembit, school.instructor, [{ id: entry.id }], { days: 1, along: false }); // prettier-ignore
    expect(valueOf(await trustOfEntry(school.pembit, school.instructor, entry.id)).pending).toEqual({ history: historyOf(moved), seen: 1 }); // prettier-ignore
    valueOf(await waveOff(school.pembit, school.instructor, historyOf(moved)));
    expect(await seen(moved)).toBe(0);
    expect(valueOf(await trustOfEntry(school.pembit, school.instructor, entry.id)).pending).toBeUndefined();
    expect(await seen(await undoChange(school.pembit, school.instructor, historyOf(moved)))).toBe(1);
  });
});

describe('how a date came about', () => {
  test('is read by each as they could see it; staff also read whom it was told', async () => {
    const entry = await plan({ visibility: { kind: 'draft' } });
    const { pembit, instructor } = school;
    valueOf(await shiftEntries(pembit, instructor, [{ id: entry.id }], { days: 1, along: false }));
    valueOf(await actOnSeveral(pembit, instructor, [entry.id], { act: 'show' }));
    await show(one, two);
    const moved = await shiftEntries(pembit, instructor, [{ id: entry.id }], { days: 3, along: false });
    valueOf(await tellChange(pembit, instructor, historyOf(moved)));
    school.later(60_000);
    await show(one);
    const student = valueOf(await trustOfEntry(pembit, one, entry.id));
    expect(student).toEqual({
      lines: [{ what: 'Moved from Fri 23 Oct, 17:00 to Mon 26 Oct, 17:00', by: 'by Person 0, Tue 13 Oct, 09:00' }],
    }); // prettier-ignore
    const staff = valueOf(await trustOfEntry(pembit, instructor, entry.id));
    expect(staff.lines.map(({ what, told }) => [what, told])).toEqual([
      ['Moved from Fri 23 Oct, 17:00 to Mon 26 Oct, 17:00', 'told 2, 1 has seen it since'],
      ['Moved from Thu 22 Oct, 17:00 to Fri 23 Oct, 17:00', undefined],
    ]);
  });

  test('of what is gone says so at its address, to those who could see it alone', async () => {
    const { pembit, instructor } = school;
    const entry = await plan({ audience: [{ course: school.course, people: [one.person.id] }] });
    valueOf(await deleteEntry(pembit, instructor, entry.id));
    expect(await goneEntry(pembit, one, entry.id)).toMatchObject({ title: 'Half model', lines: [{ what: 'Taken out of the plan, was Thu 22 Oct, 17:00' }] }); // prettier-ignore
    expect(await goneEntry(pembit, two, entry.id)).toBeUndefined();
    expect(await goneEntry(pembit, school.stranger, entry.id)).toBeUndefined();
    // Given back to drafts before it is deleted, or for others from now on: it is gone for who saw it all the same.
    const draft = await plan();
    valueOf(await actOnSeveral(pembit, instructor, [draft.id], { act: 'draft' }));
    valueOf(await deleteEntry(pembit, instructor, draft.id));
    expect(await goneEntry(pembit, two, draft.id)).toMatchObject({ title: 'Half model' });
    const narrowed = await plan();
    valueOf(await changeEntry(pembit, instructor, { id: narrowed.id, sequence: 0, scope: 'all' }, work({ audience: [{ course: school.course, people: [one.person.id] }] }))); // prettier-ignore
    expect(await goneEntry(pembit, two, narrowed.id)).toMatchObject({ title: 'Half model' });
  });
});

describe('news', () => {
  const news = async (who: SignedIn) => {
    const since = school.pembit.now().subtract({ hours: 1 });
    const changes = await changesFor(school.pembit, who, await planSeenBy(school.pembit, who.viewer), since);
    return changes.map(({ kind, title }) => `${kind} ${title}`);
  };
  test('are not crowded out by a thousand notes that somebody writes elsewhere', async () => {
    await plan();
    const { pembit, stranger } = school;
    const thousand = 'WITH RECURSIVE n (i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 1000)';
    const at = pembit.now().epochMilliseconds + 1;
    await pembit.queue.write(async ({ sequelize, transaction }) => {
      const run = (sql: string) => sequelize.query(sql, { replacements: { at, actor: stranger.person.id }, transaction }); // prettier-ignore
      await run(`INSERT INTO history (id, at, actor_id, act, summary, scopes, changes) ${thousand}
        SELECT 'note' || i, :at, :actor, 'planEntry', '', '["person:' || :actor || '"]', '[]' FROM n`);
      await run(`INSERT INTO events (at, actor_id, history_id, type, subject, payload) ${thousand}
        SELECT :at, :actor, 'note' || i, 'acted', '', '{}' FROM n`);
      await run(
        `INSERT INTO event_scopes (scope, event_id) SELECT 'person:' || :actor, id FROM events WHERE history_id LIKE 'note%'`,
      );
    });
    expect(await news(one)).toEqual(['new Half model']);
    expect(await news(school.stranger)).toEqual([]);
  });

  test('say what is gone, called off and of one’s own, to those who saw it', async () => {
    const { pembit, instructor } = school;
    const gone = await plan({ title: 'Visit' });
    const off = await plan({ title: 'Race' });
    const own = await plan({ title: 'Offsets' });
    const draft = await plan({ title: 'Idea', visibility: { kind: 'draft' } });
    school.later(2 * 3_600_000);
    valueOf(await deleteEntry(pembit, instructor, gone.id));
    valueOf(await deleteEntry(pembit, instructor, draft.id));
    valueOf(await cancelEntry(pembit, instructor, off.id, { reason: 'Storm' }));
    valueOf(await changeEntry(pembit, instructor, { id: own.id, sequence: 0, scope: 'all' }, work({ title: 'Offsets', extensions: [{ person: one.person.id, due: '2026-10-24T17:00' }] }))); // prettier-ignore
    expect((await news(one)).sort()).toEqual(['cancelled Race', 'gone Visit', 'moved Offsets']);
    expect((await news(two)).sort()).toEqual(['cancelled Race', 'gone Visit']);
  });
});

test('the office closes the school and tells all at once: its letters go ahead of those that wait, and it sees how they go', async () => {
  const { pembit, instructor, section, term } = school;
  valueOf(await changeWeek(pembit, instructor, section, patternInput.parse({ from: '2026-09-08', week: 'Tue Thu 10-11' }))); // prettier-ignore
  const office: SignedIn = { ...school.stranger, person: { ...school.stranger.person, isAdmin: true } };
  // A letter that waits already.
  const entry = await plan();
  await show(one);
  const moved = await shiftEntries(pembit, instructor, [{ id: entry.id }], { days: 1, along: false });
  valueOf(await tellChange(pembit, instructor, historyOf(moved)));
  const closed = await addClosure(pembit, office, closureInput.parse({ term, name: 'Storm', firstDay: '2026-10-15', lastDay: '2026-10-15' })); // prettier-ignore
  expect(valueOf(await seenBefore(pembit, office, historyOf(closed))).seen).toBe(3);
  expect(valueOf(await tellChange(pembit, office, historyOf(closed)))).toEqual({ told: 3, gathered: 0 });
  school.later(HELD_MS);
  const due = await pembit.queue.write((writer) =>
    claimLetters(writer, { nowMs: pembit.now().epochMilliseconds, most: 50, holdMs: 0 }),
  );
  expect(due.map(({ subject }) => subject.includes('Storm'))).toEqual([true, true, true, false]);
  const sofar = async () => (await lettersSoFar(pembit, office)).map(({ words }) => words);
  expect(await sofar()).toEqual(['Added the closure Storm: 0 of 3 letters sent.']);
  let n = 0;
  await sendDueMail(pembit, () =>
    ++n === 1 ? Promise.reject(new PermanentRefusal('550 nobody')) : Promise.resolve(),
  );
  expect(await sofar()).toEqual(['Added the closure Storm: 2 of 3 letters sent, 1 could not be delivered.']);
  expect(await lettersSoFar(pembit, school.students[0]!)).toEqual([]);
  // Undone: what was sent was sent; nothing more is said of it.
  valueOf(await undoChange(pembit, office, historyOf(closed)));
  expect(await sofar()).toEqual([]);
});

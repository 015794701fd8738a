import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { Temporal } from 'temporal-polyfill';
import type { School } from '../../../tests/support/school';
import { newSchool, toldAtOnce } from '../../../tests/support/school';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { EventEntry } from '@/core/entries/entry';
import { entryInput } from '@/core/entries/entryInput';
import { seenPlan } from '@/core/plan/seenPlan';
import { occurrencesOf } from '@/core/plan/occurrences';
import { requireZone } from '@/core/time/zoneData';
import { momentText } from '@/core/time/zonedWall';
import { select } from '@/data/database';
import { entryById } from '@/data/entries/entries';
import { loadPlan } from '@/data/plan/loadPlan';
import { undoChange } from '../history/undoChange';
import { entryHistory } from '../history/entryHistory';
import { seenBefore } from '../history/seenBefore';
import { HELD_MS, tellChange } from '../history/tellChange';
import { moveStudents } from '../people/membership';
import type { SignedIn } from '../session/session';
import { sendDueMail } from '../mail/sendMail';
import { recordShown } from '../plan/recordShown';
import { planSeenBy } from '../plan/planSeenBy';
import { seeAsChoices, seeAsViewer } from '../plan/seeAs';
import { actOnSeveral } from './bulk';
import { cancelEntry } from './cancelEntry';
import { changeEntry } from './changeEntry';
import { copyEntry } from './copyEntry';
import { deleteEntry } from './deleteEntry';
import { placeEntry } from './placeEntry';
import { planEntry } from './planEntry';
import { passOnAllSeats } from './passOnSeats';
import { reply } from './reply';
import { shiftEntries } from './shiftEntry';

let school: School;
beforeAll(async () => {
  school = await newSchool();
});
afterAll(() => school.close());

const wall = (text: string) => Temporal.PlainDateTime.from(text);
const input = (json: object) =>
  entryInput.parse({ title: 'Drop-in', audience: [{ course: school.course }], ...json });
const plan = async (json: object, actor = school.instructor) =>
  valueOf(await planEntry(school.pembit, actor, input(json)));
const weekly = () => input({ kind: 'event', start: '2026-10-13T14:00', end: '2026-10-13T15:00', rrule: 'FREQ=WEEKLY;COUNT=4' }); // prettier-ignore

/** What somebody sees, as `title start` lines, cancelled ones marked. */
async function shown(title: string, actor = school.instructor): Promise<string[]> {
  const seen = await planSeenBy(school.pembit, actor.viewer);
  return occurrencesOf(seen, requireZone)
    .filter((o) => o.title.startsWith(title))
    .map((o) => `${momentText(o.start)}${o.cancelled === undefined ? '' : ' off'}`);
}

describe('a series', () => {
  test('one occurrence is moved, cancelled, skipped; this and later go on apart; all of it goes; each is undone', async () => {
    const entry = valueOf(await planEntry(school.pembit, school.instructor, weekly()));
    const all = ['2026-10-13T14:00', '2026-10-20T14:00', '2026-10-27T14:00', '2026-11-03T14:00'];
    expect(await shown('Drop-in')).toEqual(all);
    const undo = async (act: Parameters<typeof historyOf>[0]) => {
      valueOf(await undoChange(school.pembit, school.instructor, historyOf(act)));
      expect(await shown('Drop-in')).toEqual(all);
    };

    const second = { id: entry.id, recurrenceId: wall('2026-10-20T14:00') };
    const moved = await shiftEntries(school.pembit, school.instructor, [second], { days: 1, along: false });
    expect(valueOf(moved)).toHaveLength(1);
    expect(await shown('Drop-in')).toContain('2026-10-21T14:00');
    await undo(moved);

    const off = await cancelEntry(school.pembit, school.instructor, entry.id, { reason: 'Storm', recurrenceId: wall('2026-10-27T14:00') }); // prettier-ignore
    valueOf(off);
    expect(await shown('Drop-in')).toContain('2026-10-27T14:00 off');
    await undo(off);

    const skipped = await deleteEntry(school.pembit, school.instructor, entry.id, { scope: 'this', recurrenceId: wall('2026-10-13T14:00') }); // prettier-ignore
    valueOf(skipped);
    expect(await shown('Drop-in')).toEqual(all.slice(1));
    await undo(skipped);

    const sequence = async () => (await select<{ sequence: number }>(school.pembit, 'SELECT sequence FROM entries WHERE id = :id', { id: entry.id }))[0]!.sequence; // prettier-ignore
    const later = await changeEntry(
      school.pembit,
      school.instructor,
      {
        id: entry.id,
        sequence: await sequence(),
        scope: 'following',
        recurrenceId: wall('2026-10-27T14:00'),
      },
      input({ kind: 'event', start: '2026-10-28T09:00', end: '2026-10-28T10:00', rrule: 'FREQ=WEEKLY;COUNT=4', title: 'Drop-in, mornings' }), // prettier-ignore
    );
    expect(valueOf(later).entry.uid).not.toBe(entry.uid);
    expect(await shown('Drop-in')).toEqual([...all.slice(0, 2), '2026-10-28T09:00', '2026-11-04T09:00']);
    await undo(later);

    const one = await changeEntry(
      school.pembit,
      school.instructor,
      { id: entry.id, sequence: await sequence(), scope: 'this', recurrenceId: wall('2026-11-03T14:00') },
      input({
        kind: 'event',
        start: '2026-11-03T16:00',
        rrule: 'FREQ=WEEKLY;COUNT=4',
        title: 'Drop-in, guest',
      }),
    );
    valueOf(one);
    expect(await shown('Drop-in, guest')).toEqual(['2026-11-03T16:00']);
    await undo(one);

    const gone = await deleteEntry(school.pembit, school.instructor, entry.id);
    valueOf(gone);
    expect(await shown('Drop-in')).toEqual([]);
    await undo(gone);
    expect(valueOf(await entryHistory(school.pembit, school.instructor, entry.id)).length).toBeGreaterThan(
      10,
    );
  });

  test('an occurrence that the series does not have is refused', async () => {
    const entry = valueOf(await planEntry(school.pembit, school.instructor, weekly()));
    for (const recurrenceId of [wall('2026-10-14T14:00'), Temporal.PlainDate.from('2026-10-13')]) {
      expect(await cancelEntry(school.pembit, school.instructor, entry.id, { reason: '', recurrenceId })).toMatchObject({ reason: 'badRequest' }); // prettier-ignore
      expect(await deleteEntry(school.pembit, school.instructor, entry.id, { scope: 'this', recurrenceId })).toMatchObject({ reason: 'badRequest' }); // prettier-ignore
    }
    valueOf(await deleteEntry(school.pembit, school.instructor, entry.id));
  });
});

test('private notes are their author’s: a student plans them, nobody else meets them, also not by seeing as', async () => {
  const [ivo] = school.students;
  const note = await plan({ kind: 'note', title: 'Note to self', on: '2026-10-20' }, ivo);
  expect(await shown('Note', ivo)).toEqual(['2026-10-20']);
  expect(await shown('Note')).toEqual([]);
  expect(await deleteEntry(school.pembit, school.instructor, note.id)).toMatchObject({ reason: 'notFound' });
  const choices = await seeAsChoices(school.pembit, school.instructor);
  const as = await seeAsViewer(school.pembit, school.instructor, `person:${ivo!.person.id}`);
  expect(choices.map((choice) => choice.key)).toContain(`person:${ivo!.person.id}`);
  const seen = await planSeenBy(school.pembit, as!.viewer, { notes: false });
  expect(seen.entries.filter((entry) => entry.kind === 'note')).toEqual([]);
  expect(await seeAsViewer(school.pembit, ivo!, `person:${school.students[1]!.person.id}`)).toBeUndefined();
});

test('seeing as a student shows what that student sees, and nothing of courses taught by others', async () => {
  const [ivo] = school.students;
  await plan({ kind: 'assignment', title: 'Extended work', due: '2026-10-30T17:00', extensions: [{ person: ivo!.person.id, due: '2026-11-02T17:00' }] }); // prettier-ignore
  const as = await seeAsViewer(school.pembit, school.instructor, `person:${ivo!.person.id}`);
  const now = school.pembit.now();
  const whole = await loadPlan(school.pembit, [school.course, school.other]);
  expect(seenPlan(as!.viewer, whole, now).entries.map((e) => e.title)).toEqual(seenPlan(ivo!.viewer, await loadPlan(school.pembit, [school.course]), now).entries.map((e) => e.title)); // prettier-ignore
  expect(await shown('Extended', ivo)).toEqual(['2026-11-02T17:00']);
  expect(await shown('Extended', school.students[1])).toEqual(['2026-10-30T17:00']);
});

test('moving a due date by itself, or with what hangs on it', async () => {
  const entry = await plan({ kind: 'assignment', title: 'Body plan', setOn: '2026-10-08', opens: '2026-10-08', due: '2026-10-15T17:00', closes: '2026-10-16T17:00', visibility: { kind: 'from', from: '2026-10-08T08:00' } }); // prettier-ignore
  const row = async () => (await select<Record<string, string>>(school.pembit, 'SELECT start_local, set_on, opens_local, closes_local, shown_from FROM entries WHERE id = :id', { id: entry.id }))[0]; // prettier-ignore
  valueOf(
    await shiftEntries(school.pembit, school.instructor, [{ id: entry.id }], { days: 1, along: false }),
  );
  expect(await row()).toEqual({ start_local: '2026-10-16T17:00', set_on: '2026-10-08', opens_local: '2026-10-08', closes_local: '2026-10-16T17:00', shown_from: '2026-10-08T08:00' }); // prettier-ignore
  valueOf(
    await shiftEntries(school.pembit, school.instructor, [{ id: entry.id }], { days: -7, along: true }),
  );
  expect(await row()).toEqual({ start_local: '2026-10-09T17:00', set_on: '2026-10-01', opens_local: '2026-10-01', closes_local: '2026-10-09T17:00', shown_from: '2026-10-01T08:00' }); // prettier-ignore
});

test('who had seen the old date can be told: one letter each, held for a minute, taken back by undoing', async () => {
  const entry = await plan({ kind: 'event', title: 'Rope walk', start: '2026-10-20T10:00' });
  await toldAtOnce(school, school.students);
  for (const student of school.students.slice(0, 2))
    await recordShown(school.pembit, student.person.id, await planSeenBy(school.pembit, student.viewer));
  await school.pembit.queue.drained();
  const move = async () => shiftEntries(school.pembit, school.instructor, [{ id: entry.id }], { days: 1, along: false }); // prettier-ignore
  const first = await move();
  expect(valueOf(await seenBefore(school.pembit, school.instructor, historyOf(first)))).toEqual({ seen: 2 });
  expect(await tellChange(school.pembit, school.students[0]!, historyOf(first))).toMatchObject({ reason: 'notFound' }); // prettier-ignore
  expect(valueOf(await tellChange(school.pembit, school.instructor, historyOf(first)))).toEqual({
    told: 2,
    gathered: 0,
  });
  const carried: string[] = [];
  const carry = async (letter: { to: string; text: string }) => void carried.push(letter.text);
  const later = { ...school.pembit, now: () => school.pembit.now().add({ milliseconds: HELD_MS + 1000 }) };
  await sendDueMail(school.pembit, carry);
  expect(carried).toEqual([]);
  valueOf(await undoChange(school.pembit, school.instructor, historyOf(first)));
  await sendDueMail(later, carry);
  expect(carried).toEqual([]);
  const second = await move();
  valueOf(await tellChange(school.pembit, school.instructor, historyOf(second)));
  await sendDueMail(later, carry);
  expect(carried).toHaveLength(2);
  expect(carried[0]).toContain('Rope walk: it was Tue 20 Oct, 10:00; it is now Wed 21 Oct, 10:00.');
});

test('who is coming: within the seats, by those who are asked', async () => {
  const entry = await plan({
    kind: 'event',
    title: 'Night sail',
    start: '2026-10-24T18:00',
    coming: { seats: 1 },
  });
  const [one, two] = school.students;
  expect(await reply(school.pembit, school.stranger, entry.id, 'coming')).toMatchObject({
    reason: 'notFound',
  });
  valueOf(await reply(school.pembit, one!, entry.id, 'coming'));
  expect(await reply(school.pembit, two!, entry.id, 'coming')).toMatchObject({ reason: 'seatsTaken' });
  valueOf(await reply(school.pembit, two!, entry.id, 'notSure'));
  valueOf(await reply(school.pembit, one!, entry.id, 'notComing'));
  valueOf(await reply(school.pembit, two!, entry.id, 'coming'));
});

test('whoever waits for a seat has it when one is given back, is told, and keeps it when that is undone', async () => {
  const { pembit, students } = school;
  const entry = await plan({ kind: 'event', title: 'Dawn sail', start: '2026-10-25T06:00', coming: { seats: 1 } });
  const [one, two, three] = students;
  const state = async () => {
    const { coming } = (await entryById(pembit, entry.id)) as EventEntry;
    const answerOf = (who: SignedIn) => coming!.replies.find((r) => r.person === who.person.id)?.answer;
    return [one!, two!, three!].map(answerOf);
  };
  expect(await reply(pembit, two!, entry.id, 'waiting')).toMatchObject({ reason: 'seatsFree' });
  valueOf(await reply(pembit, one!, entry.id, 'coming'));
  valueOf(await reply(pembit, three!, entry.id, 'waiting'));
  valueOf(await reply(pembit, two!, entry.id, 'waiting'));
  const back = await reply(pembit, one!, entry.id, 'notComing');
  expect(await state()).toEqual(['notComing', 'waiting', 'coming']);
  expect(await undoChange(pembit, one!, historyOf(back))).toMatchObject({ reason: 'seatsTaken' });
  expect(await state()).toEqual(['notComing', 'waiting', 'coming']);
  // More seats are passed on when the round comes by.
  const { sequence } = (await entryById(pembit, entry.id))!;
  const more = entryInput.parse({ kind: 'event', title: 'Dawn sail', start: '2026-10-25T06:00', audience: [{ course: school.course }], coming: { seats: 2 } });
  valueOf(await changeEntry(pembit, school.instructor, { id: entry.id, sequence, scope: 'all' }, more));
  await passOnAllSeats(pembit);
  expect(await state()).toEqual(['notComing', 'coming', 'coming']);
  const letters = await select<{ subject: string }>(pembit, `SELECT subject FROM outbox WHERE subject LIKE 'You have a seat: Dawn sail%'`);
  expect(letters).toHaveLength(2);
}); // prettier-ignore

test('whoever leaves the course leaves their seat; coming back they have it only while it is free', async () => {
  const { pembit, instructor, course, students } = school;
  const [one, two] = students;
  const entry = await plan({ kind: 'event', title: 'Noon sail', start: '2026-10-26T12:00', coming: { seats: 1 } });
  valueOf(await reply(pembit, one!, entry.id, 'coming'));
  valueOf(await reply(pembit, two!, entry.id, 'waiting'));
  const left = await moveStudents(pembit, instructor, course, [one!.person.id], { kind: 'leave' });
  valueOf(left);
  await passOnAllSeats(pembit);
  const { coming } = (await entryById(pembit, entry.id)) as EventEntry;
  expect(coming!.replies.map(({ person, answer }) => [person, answer])).toEqual([[two!.person.id, 'coming']]);
  expect(await undoChange(pembit, instructor, historyOf(left))).toMatchObject({ reason: 'seatsTaken' });
  valueOf(await reply(pembit, two!, entry.id, 'notComing'));
  valueOf(await undoChange(pembit, instructor, historyOf(left)));
  const again = (await entryById(pembit, entry.id)) as EventEntry;
  expect(again.coming!.replies.find(({ person }) => person === one!.person.id)?.answer).toBe('coming');
}); // prettier-ignore

test('a copy is a draft of its own; several are acted on at once, with one undo, or none of them', async () => {
  const entry = await plan({ kind: 'event', title: 'Visit', start: '2026-10-22T10:00', links: [{ url: 'https://x.example/1' }] }); // prettier-ignore
  const copy = valueOf(await copyEntry(school.pembit, school.instructor, entry.id));
  expect(copy).toMatchObject({ title: 'Visit', visibility: { kind: 'draft' } });
  expect(copy.uid).not.toBe(entry.uid);
  const early = await plan({ kind: 'event', title: 'Tour', start: '2026-10-22T10:00', visibility: { kind: 'before', days: 7 } }); // prettier-ignore
  expect(valueOf(await copyEntry(school.pembit, school.instructor, early.id))).toMatchObject({
    visibility: { kind: 'before', days: 7 },
  });
  expect(await copyEntry(school.pembit, school.instructor, entry.id, { courses: [school.other] })).toMatchObject({ reason: 'notYours' }); // prettier-ignore
  const nextWeek = valueOf(
    await copyEntry(school.pembit, school.instructor, early.id, { days: 7 }),
  ) as EventEntry;
  expect(momentText(nextWeek.when.start)).toBe('2026-10-29T10:00');
  const both = { ...school.instructor, viewer: { ...school.instructor.viewer, staffOf: new Set([school.course, school.other]) } }; // prettier-ignore
  const courses = [school.course, school.other];
  const copies = await actOnSeveral(school.pembit, both, [entry.id, early.id], { act: 'copy', courses, days: 14 }); // prettier-ignore
  expect(valueOf(copies)).toEqual({ changed: 4 });
  const made = (await loadPlan(school.pembit, courses)).entries.filter(({ kind, id }) => kind === 'event' && ![entry.id, early.id, copy.id, nextWeek.id].includes(id)); // prettier-ignore
  const visits = made.flatMap((e) => e.kind === 'event' && e.title === 'Visit' ? [`${momentText(e.when.start)} ${e.audience.map((part) => part.course).join()}`] : []); // prettier-ignore
  expect(visits.sort()).toEqual(courses.map((course) => `2026-11-05T10:00 ${course}`).sort());
  valueOf(await undoChange(school.pembit, both, historyOf(copies)));
  expect(await actOnSeveral(school.pembit, school.instructor, [entry.id], { act: 'copy', courses, days: 0 })).toMatchObject({ reason: 'notYours' }); // prettier-ignore
  const ids = [entry.id, copy.id];
  expect(await actOnSeveral(school.pembit, school.stranger, ids, { act: 'delete' })).toMatchObject({
    reason: 'notFound',
  });
  const cancelled = await actOnSeveral(school.pembit, school.instructor, ids, { act: 'cancel' });
  valueOf(cancelled);
  expect(await shown('Visit')).toEqual(['2026-10-22T10:00 off', '2026-10-22T10:00 off']);
  valueOf(await undoChange(school.pembit, school.instructor, historyOf(cancelled)));
  expect(await shown('Visit')).toEqual(['2026-10-22T10:00', '2026-10-22T10:00']);
});

test('drawn elsewhere in the week, it keeps its length or takes another; what has no hour is refused', async () => {
  const entry = await plan({
    kind: 'event',
    title: 'Lofting',
    start: '2026-10-22T10:00',
    end: '2026-10-22T11:30',
  });
  valueOf(await placeEntry(school.pembit, school.instructor, entry.id, { start: wall('2026-10-23T13:00') }));
  const [row] = await select<Record<string, string>>(school.pembit, 'SELECT start_local, end_local FROM entries WHERE id = :id', { id: entry.id }); // prettier-ignore
  expect(row).toEqual({ start_local: '2026-10-23T13:00', end_local: '2026-10-23T14:30' });
  expect(await placeEntry(school.pembit, school.instructor, entry.id, { start: wall('2026-10-23T13:00'), end: wall('2026-10-23T12:00') })).toMatchObject({ fields: [{ field: 'end' }] }); // prettier-ignore
  const allDay = await plan({ kind: 'event', title: 'Open day', start: '2026-10-22' });
  expect(await placeEntry(school.pembit, school.instructor, allDay.id, { start: wall('2026-10-23T13:00') })).toMatchObject({ fields: [{ field: 'start' }] }); // prettier-ignore
});

test('an event becomes an assignment and back under its uid', async () => {
  const entry = await plan({ kind: 'event', title: 'Review', start: '2026-10-22T10:00' });
  const into = (json: object, sequence: number) =>
    changeEntry(school.pembit, school.instructor, { id: entry.id, sequence, scope: 'all' }, input({ title: 'Review', ...json })); // prettier-ignore
  const work = valueOf(await into({ kind: 'assignment', due: '2026-10-22T10:00' }, 0));
  expect(work.entry).toMatchObject({ kind: 'assignment', uid: entry.uid });
  expect(valueOf(await into({ kind: 'event', start: '2026-10-22T10:00' }, 1)).entry).toMatchObject({ kind: 'event', uid: entry.uid }); // prettier-ignore
  expect(await into({ kind: 'note', on: '2026-10-22' }, 2)).toMatchObject({ reason: 'badRequest' });
});

test('a whole series put at another hour keeps what was skipped', async () => {
  const entry = valueOf(await planEntry(school.pembit, school.instructor, { ...weekly(), title: 'Knots' }));
  valueOf(await deleteEntry(school.pembit, school.instructor, entry.id, { scope: 'this', recurrenceId: wall('2026-10-20T14:00') })); // prettier-ignore
  const placed = await placeEntry(school.pembit, school.instructor, entry.id, { start: wall('2026-10-13T16:00') }); // prettier-ignore
  valueOf(placed);
  expect(await shown('Knots')).toEqual(['2026-10-13T16:00', '2026-10-27T16:00', '2026-11-03T16:00']);
  valueOf(await deleteEntry(school.pembit, school.instructor, entry.id));
});

import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { entryInput } from '@/core/entries/entryInput';
import { closureInput, patternInput } from '@/core/frame/frameInput';
import type { ClosureId, HistoryId } from '@/core/ids';
import { sheetInput } from '@/core/signup/sheetInput';
import { select } from '@/data/database';
import { recordChange } from '@/data/history/change';
import { staffRow } from '@/data/people/memberRows';
import { loadPlan } from '@/data/plan/loadPlan';
import { planEntry } from '../entries/planEntry';
import { momentText } from '@/core/time/zonedWall';
import { Temporal } from 'temporal-polyfill';
import { expandSeries } from '@/core/series/expand';
import { deleteEntry } from '../entries/deleteEntry';
import { undoChange } from '../history/undoChange';
import { offerTimes } from '../signup/offerTimes';
import { takeTime } from '../signup/takeTime';
import { changeMeeting } from './changeMeeting';
import { addClosure, previewClosure, removeClosure } from './closures';
import { changeWeek } from './sections';

let school: School;
beforeAll(async () => {
  school = await newSchool();
});
afterAll(() => school.close());

async function must<T extends { ok: boolean }>(work: Promise<T>): Promise<Extract<T, { ok: true }>> {
  const outcome = await work;
  if (!outcome.ok) throw new Error(JSON.stringify(outcome));
  return outcome as Extract<T, { ok: true }>;
}
const storm = (changes: object = {}) =>
  closureInput.parse({
    term: school.term,
    course: school.course,
    name: 'Storm',
    firstDay: '2026-10-20',
    lastDay: '2026-10-22',
    ...changes,
  });
const meetings = () =>
  select<{ id: string; date: string; ordinal: number; cancelled: string | null }>(
    school.pembit,
    'SELECT id, date, ordinal, cancelled FROM meetings ORDER BY ordinal',
  );

beforeEach(async () => {
  await must(
    changeWeek(
      school.pembit,
      school.instructor,
      school.section,
      patternInput.parse({ from: '2026-09-08', week: 'Tue Thu 10-11:50' }),
    ),
  );
});

describe('a closure added late', () => {
  test('shows the classes, the due work and the taken times it hits, by name to the staff, and saves nothing', async () => {
    const audience = [{ course: school.course }];
    await must(
      planEntry(
        school.pembit,
        school.instructor,
        entryInput.parse({ kind: 'assignment', title: 'Body plan', due: '2026-10-21T17:00', audience }),
      ),
    );
    await must(
      planEntry(
        school.pembit,
        school.instructor,
        entryInput.parse({ kind: 'assignment', title: 'Elsewhere', due: '2026-10-23', audience }),
      ),
    );
    const sheet = await must(offerTimes(school.pembit, school.instructor, sheetInput.parse({ title: 'Office hours', audience, offering: { length: 30, stretches: [{ date: '2026-10-21', start: '12:00', end: '13:00' }] } }))); // prettier-ignore
    await must(takeTime(school.pembit, school.students[0]!, sheet.value.slots[0]!.id, {}));
    const before = await meetings();
    const preview = await must(previewClosure(school.pembit, school.instructor, storm()));
    expect(preview.value).toEqual([
      {
        tag: 'HL',
        title: 'Hull lofting',
        meetings: 2,
        moving: 0,
        due: 1,
        taken: 1,
        free: 1,
        movable: ['Body plan to Fri 23 Oct'],
        closable: 2,
        holding: 1,
        plans: 0,
        events: 0,
        details: [
          'Class 13, A, Tue 20 Oct',
          'Class 14, A, Thu 22 Oct',
          'Body plan, due Wed 21 Oct, 17:00',
          'Office hours, Wed 21 Oct, 12:00: Person 2',
        ],
      },
    ]);
    expect(await meetings()).toEqual(before);
  });

  test('takes the classes away and gives each back, under its id, when it is undone or removed', async () => {
    const before = await meetings();
    const added = await must(addClosure(school.pembit, school.instructor, storm()));
    expect((await meetings()).map((m) => m.date)).not.toContain('2026-10-20');
    expect((await meetings()).map((m) => m.ordinal)).toEqual(before.slice(2).map((_, i) => i + 1));
    await must(undoChange(school.pembit, school.instructor, added.history as HistoryId));
    expect(await meetings()).toEqual(before);
    const again = await must(addClosure(school.pembit, school.instructor, storm()));
    await must(removeClosure(school.pembit, school.instructor, again.value.id as ClosureId));
    expect(await meetings()).toEqual(before);
  });

  test('keeps work due then, or moves it to the next open day at its time, as chosen; one undo', async () => {
    const { pembit, instructor, course } = school;
    const days = { firstDay: '2026-12-01', lastDay: '2026-12-02' };
    const plan = async (json: object) =>
      must(
        planEntry(
          pembit,
          instructor,
          entryInput.parse({ kind: 'assignment', audience: [{ course }], ...json }),
        ),
      );
    await plan({ title: 'Body plan', setOn: '2026-11-25', due: '2026-12-01T17:00' });
    await plan({ title: 'Reading', due: '2026-12-02' });
    await plan({ title: 'Elsewhere', due: '2026-12-04' });
    await plan({ title: 'At class', due: undefined, atClass: { due: { ordinal: 25 } } });
    const dues = async () =>
      (await loadPlan(pembit, [course])).entries
        .flatMap((e) => (e.kind === 'assignment' ? [`${e.title} ${momentText(e.due)} ${e.setOn?.toString() ?? ''}`.trim()] : []))
        .sort(); // prettier-ignore
    const before = await dues();
    const kept = await must(addClosure(pembit, instructor, storm(days)));
    // What follows a class has gone along with it; the rest stays.
    expect((await dues()).filter((line) => !line.startsWith('At class'))).toEqual(before.filter((line) => !line.startsWith('At class'))); // prettier-ignore
    await must(undoChange(pembit, instructor, kept.history as HistoryId));
    const moved = await must(addClosure(pembit, instructor, storm({ ...days, due: 'move' })));
    expect(await dues()).toEqual(expect.arrayContaining(['Body plan 2026-12-03T17:00 2026-11-25', 'Elsewhere 2026-12-04', 'Reading 2026-12-03'])); // prettier-ignore
    await must(undoChange(pembit, instructor, moved.history as HistoryId));
    expect(await dues()).toEqual(before);
  });

  test('a series that leaves days without classes out does so as they close and open; another takes place', async () => {
    const { pembit, instructor, course } = school;
    const weekly = { kind: 'event', start: '2026-11-03T18:00', end: '2026-11-03T19:00', rrule: 'FREQ=WEEKLY;COUNT=6', audience: [{ course }] };
    const plan = async (title: string, skipsClosures?: boolean) =>
      (await must(planEntry(pembit, instructor, entryInput.parse({ ...weekly, title, skipsClosures })))).value.id;
    const [skips, stays] = [await plan('Study group', true), await plan('Rounds')];
    const days = async () => {
      const { entries } = await loadPlan(pembit, [course]);
      const of = (id: string) => {
        const found = entries.find((e) => e.id === id);
        if (found?.kind !== 'event' || !found.recurrence) throw new Error('no series');
        const span = { from: Temporal.PlainDate.from('2026-11-01'), to: Temporal.PlainDate.from('2026-12-31') };
        return expandSeries(found.when.start, found.recurrence, span).map(({ recurrenceId }) => momentText(recurrenceId).slice(5, 10)).join(' ');
      };
      return [of(skips), of(stays)];
    };
    const all = '11-03 11-10 11-17 11-24 12-01 12-08';
    expect(await days()).toEqual([all, all]);
    const closed = await must(addClosure(pembit, instructor, storm({ firstDay: '2026-11-09', lastDay: '2026-11-13' })));
    // A closure of the course takes one of six away, and no other is put at its end.
    expect(await days()).toEqual(['11-03 11-17 11-24 12-01 12-08', all]);
    await must(removeClosure(pembit, instructor, closed.value.id as ClosureId));
    expect(await days()).toEqual([all, all]);
    const again = await must(addClosure(pembit, instructor, storm({ firstDay: '2026-11-17', lastDay: '2026-11-17' })));
    await must(undoChange(pembit, instructor, again.history as HistoryId));
    expect(await days()).toEqual([all, all]);
    // Planned when the day is closed already.
    await must(addClosure(pembit, instructor, storm({ firstDay: '2026-12-08', lastDay: '2026-12-08' })));
    expect((await days())[0]).toBe('11-03 11-10 11-17 11-24 12-01');
    for (const id of [skips, stays]) await must(deleteEntry(pembit, instructor, id));
  }); // prettier-ignore

  test('takes times off as chosen, tells who holds one, and is undone as a whole', async () => {
    const { pembit, instructor, students } = school;
    const day = (times: string) => storm({ firstDay: '2026-11-17', lastDay: '2026-11-17', times });
    const audience = [{ course: school.course }];
    const made = await must(offerTimes(pembit, instructor, sheetInput.parse({ title: 'Loft hours', audience, offering: { length: 30, stretches: [{ date: '2026-11-17', start: '12:00', end: '13:00' }, { date: '2026-11-24', start: '12:00', end: '12:30' }] } }))); // prettier-ignore
    await must(takeTime(pembit, students[0]!, made.value.slots[0]!.id, {}));
    const slots = async () =>
      (await loadPlan(pembit, [school.course])).sheets
        .find(({ id }) => id === made.value.id)!
        .slots.map(({ bookings }) => bookings.length);
    const kept = await must(addClosure(pembit, instructor, day('keep')));
    expect(await slots()).toEqual([1, 0, 0]);
    await must(undoChange(pembit, instructor, kept.history as HistoryId));
    const closed = await must(addClosure(pembit, instructor, day('close')));
    expect(closed.value.told).toBe(1);
    expect(await slots()).toEqual([0]);
    const letters = await select<{ subject: string }>(pembit, "SELECT subject FROM outbox WHERE subject LIKE 'Cancelled: Loft hours%'"); // prettier-ignore
    expect(letters).toEqual([{ subject: 'Cancelled: Loft hours, Tue 17 Nov, 12:00–12:30' }]);
    await must(undoChange(pembit, instructor, closed.history as HistoryId));
    expect(await slots()).toEqual([1, 0, 0]);
  });

  test('of a course leaves the times of sheets that whoever closes it does not run', async () => {
    const { pembit, instructor } = school;
    const { person } = instructor;
    await recordChange(pembit.queue, { act: 'test', summary: '', actor: null, nowMs: 0 }, (change) =>
      change.insert('staff', [staffRow({ course: school.other, person: person.id, role: 'co' })]),
    );
    const both = await school.signedIn(person.id);
    const audience = [{ course: school.course }, { course: school.other }];
    const made = await must(offerTimes(pembit, both, sheetInput.parse({ title: 'Sail loft', audience, offering: { length: 30, stretches: [{ date: '2026-12-01', start: '12:00', end: '13:00' }] } }))); // prettier-ignore
    // A colleague who plans one of its two courses.
    const own = new Set([school.course]);
    const colleague = { ...both, viewer: { ...both.viewer, staffOf: own, instructs: own } };
    const day = storm({ firstDay: '2026-12-01', lastDay: '2026-12-01', times: 'close' });
    expect((await must(previewClosure(pembit, colleague, day))).value).toMatchObject([
      { free: 2, closable: 0 },
    ]);
    const closed = await must(addClosure(pembit, colleague, day));
    const slots = (await loadPlan(pembit, [school.course])).sheets.find(
      ({ id }) => id === made.value.id,
    )!.slots;
    expect(slots).toHaveLength(2);
    await must(undoChange(pembit, instructor, closed.history as HistoryId));
  });

  test('that closes early leaves the classes before that time', async () => {
    const preview = await must(
      previewClosure(school.pembit, school.instructor, storm({ closesAt: '11:50' })),
    );
    expect(preview.value).toMatchObject([{ meetings: 0, due: 1, taken: 1 }]);
  });

  test('is refused where a class was moved by hand to one of its days', async () => {
    const target = (await meetings())[0]!;
    const move = {
      act: 'move' as const,
      date: storm().firstDay.subtract({ days: 1 }),
      start: storm({ closesAt: '09:00' }).closesAt!,
      end: storm({ closesAt: '10:00' }).closesAt!,
    };
    await must(changeMeeting(school.pembit, school.instructor, target.id as never, move));
    const refusal = await addClosure(
      school.pembit,
      school.instructor,
      storm({ firstDay: '2026-10-19', lastDay: '2026-10-19' }),
    );
    expect(refusal).toMatchObject({ ok: false, reason: 'movedOntoClosure' });
  });

  test('of the whole site is the administrator’s, of a course its staff’s', async () => {
    expect(await addClosure(school.pembit, school.instructor, storm({ course: undefined }))).toMatchObject({
      ok: false,
      reason: 'notYours',
    });
    expect(await addClosure(school.pembit, school.stranger, storm())).toMatchObject({
      ok: false,
      reason: 'notYours',
    });
    expect(await removeClosure(school.pembit, school.stranger, randomUUID() as ClosureId)).toMatchObject({
      ok: false,
      reason: 'notFound',
    });
  });
});

import { afterAll, beforeAll, expect, test } from 'vitest';
import { Temporal } from 'temporal-polyfill';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import type { Entry } from '@/core/entries/entry';
import { entryInput } from '@/core/entries/entryInput';
import { personSettingsInput } from '@/core/frame/personSettings';
import { timeLabel } from '@/core/time/dateLabels';
import { select } from '@/data/database';
import { changeEntry } from '../entries/changeEntry';
import { changeEntryLine } from '../entries/changeEntryLine';
import { deleteEntry } from '../entries/deleteEntry';
import { planEntry } from '../entries/planEntry';
import { undoChange } from '../history/undoChange';
import type { Pembit } from '../pembit';
import { planSeenBy } from '../plan/planSeenBy';
import { lookNow, unseenChanges } from './changes';
import { doneOf, tickDone } from './done';
import { sendReminders } from './reminders';
import { changeOwnSettings } from './settings';

let school: School;
let shiftMs = 0;
let pembit: Pembit;
beforeAll(async () => {
  school = await newSchool();
  const { now } = school.pembit;
  pembit = { ...school.pembit, now: () => now().add({ milliseconds: shiftMs }) };
});
afterAll(() => school.close());

const work = async (title: string) =>
  valueOf(await planEntry(pembit, school.instructor, entryInput.parse({ kind: 'assignment', title, due: '2026-10-22T17:00', audience: [{ course: school.course }] }))); // prettier-ignore
const move = async ({ id, sequence }: Entry, on: string) =>
  changeEntryLine(pembit, school.instructor, { id, sequence }, { title: 'Body plan', on: Temporal.PlainDateTime.from(on) }); // prettier-ignore
const news = async (who = school.students[0]!) =>
  (await unseenChanges(pembit, who, await planSeenBy(pembit, who.viewer))).map(
    ({ kind, title }) => `${kind} ${title}`,
  );
const tick = (ms: number) => void (shiftMs += ms);

test('what moved since a student looked is news until they have seen it, and no news once it is undone', async () => {
  const entry = await work('Body plan');
  expect(await news()).toEqual([]);
  tick(60_000);
  const moved = await move(entry, '2026-10-23T17:00');
  tick(60_000);
  expect(await news()).toEqual(['moved Body plan']);
  valueOf(await undoChange(pembit, school.instructor, historyOf(moved)));
  tick(60_000);
  expect(await news()).toEqual([]);
  await work('Moulds');
  tick(60_000);
  expect(await news()).toEqual(['new Moulds']);
  await lookNow(pembit, school.students[0]!);
  tick(60_000);
  expect(await news()).toEqual([]);
  // Neither whoever taught it nor who does not take the course is told.
  expect(await news(school.instructor)).toEqual([]);
  expect(await news(school.stranger)).toEqual([]);
});

test('a tick on work is one’s own, and can be taken back', async () => {
  const [ivo, oda] = school.students;
  const entry = await work('Ticked');
  const ticked = await tickDone(pembit, ivo!, entry.id, true);
  expect([...(await doneOf(pembit, ivo!))]).toEqual([entry.id]);
  expect((await doneOf(pembit, oda!)).size).toBe(0);
  valueOf(await undoChange(pembit, ivo!, historyOf(ticked)));
  expect((await doneOf(pembit, ivo!)).size).toBe(0);
  expect(await tickDone(pembit, school.stranger, entry.id, true)).toMatchObject({ reason: 'notFound' });
});

test('one’s own settings change how dates, weeks and colours look, for oneself alone', async () => {
  const [ivo, oda] = school.students;
  const input = personSettingsInput.parse({ locale: 'en-US', weekStart: 7, tzid: 'Europe/Lisbon', colors: { 'HL 210': 'plum' } }); // prettier-ignore
  valueOf(await changeOwnSettings(pembit, ivo!, input));
  const plan = await planSeenBy(pembit, ivo!.viewer);
  expect([plan.locale, plan.terms[0]!.weekStart, plan.courses[0]!.color]).toEqual(['en-US', 7, 'plum']);
  expect(plan.abroad?.own.tzid).toBe('Europe/Lisbon');
  valueOf(await changeOwnSettings(pembit, ivo!, personSettingsInput.parse({ clock: 12, plain: true })));
  const { locale, plain } = await planSeenBy(pembit, ivo!.viewer);
  expect([timeLabel(Temporal.PlainTime.from('17:05'), locale), plain]).toEqual(['5:05\u00a0pm', true]);
  const other = await planSeenBy(pembit, oda!.viewer);
  expect([other.locale, other.courses[0]!.color, other.abroad]).toEqual(['en-GB', 'brick', undefined]);
});

test('a note hangs on what its author sees, stays on it when it is changed, and outlives it', async () => {
  const [ivo, oda] = school.students;
  const entry = await work('Noted');
  const note = (about: string) => entryInput.parse({ kind: 'note', title: 'Bring battens', on: '2026-10-21', about }); // prettier-ignore
  const draft = valueOf(await planEntry(pembit, school.instructor, entryInput.parse({ kind: 'event', title: 'Draft', start: '2026-10-21', visibility: { kind: 'draft' }, audience: [{ course: school.course }] }))); // prettier-ignore
  expect(await planEntry(pembit, ivo!, note(draft.id))).toMatchObject({ reason: 'notFound' });
  const kept = valueOf(await planEntry(pembit, ivo!, note(entry.id)));
  const asked = { id: kept.id, sequence: kept.sequence, scope: 'all' } as const;
  const changed = entryInput.parse({ kind: 'note', title: 'Bring two battens', on: '2026-10-20' });
  valueOf(await changeEntry(pembit, ivo!, asked, changed));
  const hanging = async (who = ivo!) =>
    (await planSeenBy(pembit, who.viewer)).entries.flatMap((e) => (e.kind === 'note' ? [[e.title, e.about]] : [])); // prettier-ignore
  expect(await hanging()).toEqual([['Bring two battens', entry.id]]);
  expect(await hanging(oda)).toEqual([]);
  valueOf(await deleteEntry(pembit, school.instructor, entry.id, { scope: 'all' }));
  expect(await hanging()).toHaveLength(1);
});

test('a reminder is written once, as long before as one chose, and anew where the work has moved', async () => {
  const own = await newSchool();
  const [pim] = own.students;
  const input = (due: string) => entryInput.parse({ kind: 'assignment', title: 'Keel', due, audience: [{ course: own.course }] });
  const entry = valueOf(await planEntry(own.pembit, own.instructor, input('2026-10-20T17:00')));
  valueOf(await changeOwnSettings(own.pembit, pim!, personSettingsInput.parse({ remind: { due: 1440 } })));
  const at = (instant: string): Pembit => ({ ...own.pembit, now: () => Temporal.Instant.from(instant) });
  // 17:00 in Halifax is 20:00Z.
  for (const instant of ['2026-10-19T19:45Z', '2026-10-19T20:00Z', '2026-10-19T20:15Z']) await sendReminders(at(instant));
  const asked = { id: entry.id, sequence: entry.sequence, scope: 'all' } as const;
  valueOf(await changeEntry(own.pembit, own.instructor, asked, input('2026-10-21T17:00')));
  await sendReminders(at('2026-10-20T20:05Z'));
  const letters = await select<{ subject: string; body: string }>(own.pembit, 'SELECT subject, body FROM outbox WHERE recipient = :email ORDER BY created_at', { email: pim!.person.email });
  expect(letters.map(({ subject }) => subject)).toEqual(['HL Keel: due Tue 20 Oct, 17:00', 'HL Keel: due Wed 21 Oct, 17:00']);
  expect(letters[0]!.body).toContain('Times are Halifax time (America/Halifax).');
  await own.close();
}); // prettier-ignore

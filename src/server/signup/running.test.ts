import { asInserted } from '../../../tests/support/asInserted';
import ICAL from 'ical.js';
import { Temporal } from 'temporal-polyfill';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import { NO_PERSON_SETTINGS } from '@/core/frame/personSettings';
import { USUAL_LETTERS } from '@/core/mail/letters';
import { linesOf } from '@/data/mail/gathered';
import { changeOwnSettings } from '../students/settings';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { complaintsAboutMessage } from '../../../tests/support/strictIcs';
import type { Sheet } from '@/core/signup/sheet';
import { retimeInput, sheetFactsInput, sheetInput, slotInput } from '@/core/signup/sheetInput';
import { select } from '@/data/database';
import { planSeenBy } from '../plan/planSeenBy';
import { sheetById } from '@/data/signup/sheets';
import { undoChange } from '../history/undoChange';
import { signedInBy } from '../session/session';
import { bookFor, takeTime } from './takeTime';
import { cancelDays, cancelTime } from './cancelTimes';
import { changeSheet, previewRetime, retime } from './changeSheet';
import { addSlot, changeSlot } from './changeSlots';
import { passOnOffers } from './freedSeat';
import { giveBack } from './giveBack';
import { holdsLink, sendMailLink, spendMailLink } from './mailLink';
import { moveBooking } from './moveBooking';
import { offerTimes } from './offerTimes';
import { markCame, messageBooked, remind } from './runTimes';
import { stopWaiting, waitFor } from './waitFor';

let school: School;
beforeAll(async () => {
  school = await newSchool({ students: 12 });
});
afterAll(() => school.close());

let day = Temporal.PlainDate.from('2026-10-15');
async function offer({
  rules = {},
  ...facts
}: { rules?: object; place?: string; seats?: number } = {}): Promise<Sheet> {
  const stretches = [{ date: day.toString(), start: '12:00', end: '14:00' }];
  day = day.add({ days: 1 });
  const input = sheetInput.parse({
    title: 'Office hours', audience: [{ course: school.course }], offering: { stretches, length: 25, gap: 5 }, rules: { perSheet: 2, ...rules }, ...facts,
  }); // prettier-ignore
  return valueOf(await offerTimes(school.pembit, school.instructor, input));
}
const take = async (sheet: Sheet, slot: number, who: number) =>
  valueOf(await takeTime(school.pembit, school.students[who]!, sheet.slots[slot]!.id, { note: 'stem' }))
    .booking;
const reason = (outcome: { ok: boolean; reason?: string }) => (outcome.ok ? 'done' : outcome.reason);
const again = async ({ id }: Sheet) => (await sheetById(school.pembit, id))!;
/** The clock some time on. */
const later = (hours: number) => ({
  ...school.pembit,
  now: () => school.pembit.now().add({ minutes: Math.round(hours * 60) }),
});

type Row = Readonly<{ recipient: string; subject: string; body: string; calendar: string | null; calendar_method: string | null }>; // prettier-ignore
async function letters(to: number, since = 0): Promise<Row[]> {
  const { email } = school.students[to]!.person;
  return (await select<Row>(school.pembit, `SELECT * FROM outbox WHERE recipient = :email ORDER BY created_at, ${asInserted(school.pembit)}`, { email })).slice(since); // prettier-ignore
}
const messages = async (to: number, since = 0) =>
  (await letters(to, since)).flatMap((letter) => (letter.calendar ? [letter.calendar] : []));
function event(text: string) {
  const vevent = new ICAL.Component(ICAL.parse(text) as unknown[]).getFirstSubcomponent('vevent')!;
  return {
    uid: String(vevent.getFirstPropertyValue('uid')),
    sequence: Number(vevent.getFirstPropertyValue('sequence')),
    start: String(vevent.getFirstPropertyValue('dtstart')),
    status: String(vevent.getFirstPropertyValue('status')),
    organizer: String(vevent.getFirstPropertyValue('organizer')),
    attendee: String(vevent.getFirstPropertyValue('attendee')),
    rsvp: vevent.getFirstProperty('attendee')!.getFirstParameter('rsvp'),
  };
}

test('iTIP: one UID from taking over moving to giving back, SEQUENCE grows, and a strict reader has no complaint', async () => {
  const sheet = await offer();
  const since = (await letters(0)).length;
  const booking = await take(sheet, 0, 0);
  valueOf(await moveBooking(school.pembit, school.students[0]!, booking.id, sheet.slots[2]!.id));
  valueOf(await giveBack(school.pembit, school.students[0]!, booking.id));
  const texts = await messages(0, since);
  for (const text of texts) expect(complaintsAboutMessage(Buffer.from(text))).toEqual([]);
  expect(texts.map((text) => /METHOD:(\w+)/.exec(text)![1])).toEqual(['REQUEST', 'REQUEST', 'CANCEL']);
  const events = texts.map(event);
  expect(new Set(events.map((e) => e.uid))).toEqual(new Set([booking.uid]));
  expect(events.map((e) => e.sequence)).toEqual([0, 1, 2]);
  expect(events.map((e) => e.start.slice(11, 16))).toEqual(['12:00', '13:00', '13:00']);
  expect(events.map((e) => e.status)).toEqual(['CONFIRMED', 'CONFIRMED', 'CANCELLED']);
  expect(events[0]).toMatchObject({ organizer: 'mailto:pembit@localhost', attendee: `mailto:${school.students[0]!.person.email}`, rsvp: 'FALSE' }); // prettier-ignore
  expect((await letters(0, since))[0]!.body).toMatch(/give the time back until .*\/s\//s);
});

test('a letter says by which clock a time is, in the reader’s own way of writing it, and by their own clock as well', async () => {
  const { pembit, students } = school;
  const sheet = await offer();
  const [since, other] = [(await letters(10)).length, (await letters(11)).length];
  valueOf(await changeOwnSettings(pembit, students[10]!, { ...NO_PERSON_SETTINGS, clock: 12, tzid: 'Europe/Lisbon' })); // prettier-ignore
  await take(sheet, 0, 10);
  await take(sheet, 1, 11);
  const [abroad] = await letters(10, since);
  expect(abroad!.subject).toMatch(/12:00.pm–12:25.pm \(.*4:00.pm–4:25.pm where you are\)$/);
  expect(abroad!.body).toContain('Times are Halifax time (America/Halifax).');
  const [here] = await letters(11, other);
  expect(here!.subject).toMatch(/12:30–12:55$/);
});

describe('undoing writes to the student’s calendar, each time with a higher SEQUENCE than before', () => {
  const since = async () => (await letters(0)).length;
  const said = async (from: number) =>
    (await messages(0, from)).map((text) => `${/METHOD:(\w+)/.exec(text)![1]} ${event(text).sequence} ${event(text).start.slice(11, 16)}`); // prettier-ignore
  const grows = async (from: number) => {
    const sequences = (await messages(0, from)).map((text) => event(text).sequence);
    expect(sequences).toEqual([...new Set(sequences)].sort((a, b) => a - b));
  };
  test('a cancelled time, and its coming back', async () => {
    const sheet = await offer();
    const from = await since();
    await take(sheet, 0, 0);
    const cancelled = await cancelTime(school.pembit, school.instructor, sheet.slots[0]!.id);
    valueOf(await undoChange(school.pembit, school.instructor, historyOf(cancelled)));
    expect((await said(from)).map((line) => line.split(' ')[0])).toEqual(['REQUEST', 'CANCEL', 'REQUEST']);
    await grows(from);
  });
  test('all times of a day', async () => {
    const sheet = await offer();
    const from = await since();
    await take(sheet, 0, 0);
    const date = sheet.slots[0]!.interval.start.toZonedDateTimeISO('America/Halifax').toPlainDate();
    const off = await cancelDays(school.pembit, school.instructor, sheet.id, { from: date, to: date, message: 'Ill' }); // prettier-ignore
    valueOf(await undoChange(school.pembit, school.instructor, historyOf(off)));
    expect((await said(from)).map((line) => line.split(' ')[0])).toEqual(['REQUEST', 'CANCEL', 'REQUEST']);
    await grows(from);
  });
  test('a time given back, taken, or exchanged', async () => {
    const sheet = await offer();
    const [student] = school.students;
    const from = await since();
    const taken = await takeTime(school.pembit, student!, sheet.slots[0]!.id, {});
    const booking = valueOf(taken).booking.id;
    const given = await giveBack(school.pembit, student!, booking);
    valueOf(await undoChange(school.pembit, student!, historyOf(given)));
    const moved = await moveBooking(school.pembit, student!, booking, sheet.slots[2]!.id);
    valueOf(await undoChange(school.pembit, student!, historyOf(moved)));
    expect((await said(from)).map((line) => line.replace(/ \d+ /, ' '))).toEqual([
      'REQUEST 12:00', 'CANCEL 12:00', 'REQUEST 12:00', 'REQUEST 13:00', 'REQUEST 12:00',
    ]); // prettier-ignore
    await grows(from);
  });
});

test('exchanging never loses the old time before the new one is sure', async () => {
  const sheet = await offer();
  const mine = await take(sheet, 0, 1);
  await take(sheet, 1, 2);
  expect(reason(await moveBooking(school.pembit, school.students[1]!, mine.id, sheet.slots[1]!.id))).toBe(
    'timeTaken',
  );
  expect((await again(sheet)).slots[0]!.bookings.map((b) => b.id)).toEqual([mine.id]);
  expect(reason(await moveBooking(school.pembit, school.students[2]!, mine.id, sheet.slots[2]!.id))).toBe(
    'notFound',
  );
});

describe('the waiting list', () => {
  test('a freed time is offered to who waited longest, kept, passed on when it runs out, and taken', async () => {
    const sheet = await offer({ rules: { waitingList: true } });
    const slot = sheet.slots[0]!.id;
    const taken = await take(sheet, 0, 0);
    const [, , , third, fourth] = school.students;
    expect(reason(await waitFor(school.pembit, third!, sheet.slots[1]!.id))).toBe('nothingToWaitFor');
    valueOf(await waitFor(school.pembit, third!, slot));
    valueOf(await waitFor(school.pembit, fourth!, slot));
    expect(reason(await waitFor(school.pembit, third!, slot))).toBe('waitingAlready');
    const since = (await letters(3)).length;
    valueOf(await giveBack(school.pembit, school.students[0]!, taken.id));
    expect((await letters(3, since)).map((l) => l.subject)[0]).toMatch(/^A time is free/);
    // Kept for the one who waited longest: nobody else gets it.
    expect(reason(await takeTime(school.pembit, school.students[5]!, slot, {}))).toBe('timeTaken');
    expect(reason(await takeTime(school.pembit, fourth!, slot, {}))).toBe('timeTaken');
    const toFourth = (await letters(4)).length;
    await passOnOffers(later(5));
    expect((await letters(4, toFourth)).map((l) => l.subject)[0]).toMatch(/^A time is free/);
    expect(reason(await takeTime(later(5), third!, slot, {}))).toBe('timeTaken');
    expect(reason(await takeTime(later(5), fourth!, slot, {}))).toBe('done');
    expect((await again(sheet)).slots[0]!.waiting).toEqual([]);
  });

  test('who waits no more passes the offer on; a sheet without a list has none', async () => {
    const sheet = await offer({ rules: { waitingList: true } });
    const plain = await offer();
    const taken = await take(sheet, 0, 0);
    await take(plain, 0, 0);
    valueOf(await waitFor(school.pembit, school.students[6]!, sheet.slots[0]!.id));
    valueOf(await giveBack(school.pembit, school.students[0]!, taken.id));
    valueOf(await stopWaiting(school.pembit, school.students[6]!, sheet.slots[0]!.id));
    expect(reason(await takeTime(school.pembit, school.students[7]!, sheet.slots[0]!.id, {}))).toBe('done');
    expect(reason(await waitFor(school.pembit, school.students[7]!, plain.slots[0]!.id))).toBe('notFound');
  });
});

test('a question wants its answer', async () => {
  const sheet = await offer({ rules: { question: { text: 'What about?', choices: ['Lines', 'Bevels'] } } });
  const ask = async (answer: string) =>
    takeTime(school.pembit, school.students[8]!, sheet.slots[0]!.id, { answer });
  expect(await ask('')).toMatchObject({ fields: [{ field: 'answer' }] });
  expect(await ask('Rope')).toMatchObject({ fields: [{ field: 'answer' }] });
  expect(valueOf(await ask('Lines')).booking.answer).toBe('Lines');
});

describe('those who offer a sheet', () => {
  test('change its place: who has a time is told under the same UID, and a seat taken is never lost', async () => {
    const sheet = await offer({ place: 'Loft', seats: 2 });
    const booking = await take(sheet, 0, 0);
    await take(sheet, 0, 1);
    const since = (await letters(0)).length;
    const facts = sheetFactsInput.parse({ title: 'Office hours', audience: [{ course: school.course }], place: 'Boat shed', seats: 1, rules: { perSheet: 2 } }); // prettier-ignore
    expect(valueOf(await changeSheet(school.pembit, school.instructor, sheet.id, { ...facts, offered: true })).told).toBe(2); // prettier-ignore
    const [text] = await messages(0, since);
    expect(complaintsAboutMessage(Buffer.from(text!))).toEqual([]);
    expect(event(text!)).toMatchObject({ uid: booking.uid, sequence: 1 });
    expect(text).toContain('LOCATION:Boat shed');
    expect((await again(sheet)).slots.map((slot) => slot.seats)).toEqual([2, 1, 1, 1]);
  });

  test('give it other times: what fits stays, the rest is kept or cancelled with a message', async () => {
    const sheet = await offer();
    const date = sheet.slots[0]!.interval.start.toZonedDateTimeISO('America/Halifax')
      .toPlainDate()
      .toString();
    const stays = await take(sheet, 0, 0);
    const other = await take(sheet, 3, 1);
    const times = (others: 'keep' | 'cancel') =>
      retimeInput.parse({ offering: { stretches: [{ date, start: '12:00', end: '13:00' }, { date, start: '14:00', end: '15:00' }], length: 25, gap: 5 }, others, message: 'Sorry.' }); // prettier-ignore
    expect(valueOf(await previewRetime(school.pembit, school.instructor, sheet.id, times('keep')))).toMatchObject({ stay: 2, added: 2, removed: 1, affected: [{ name: other.personName }] }); // prettier-ignore
    valueOf(await retime(school.pembit, school.instructor, sheet.id, times('keep')));
    expect((await again(sheet)).slots.flatMap((s) => s.bookings.map((b) => b.id))).toEqual([
      stays.id,
      other.id,
    ]);
    const since = (await letters(1)).length;
    expect(valueOf(await retime(school.pembit, school.instructor, sheet.id, times('cancel'))).told).toBe(1);
    expect((await letters(1, since))[0]).toMatchObject({ calendar_method: 'CANCEL', body: expect.stringContaining('Sorry.') as string }); // prettier-ignore
    expect((await again(sheet)).slots.flatMap((s) => s.bookings.map((b) => b.id))).toEqual([stays.id]);
  });

  test('lengthen a time, add one, cancel the rest of a day, book for a student, note who came, write to them', async () => {
    const sheet = await offer();
    const booking = await take(sheet, 0, 0);
    const date = sheet.slots[0]!.interval.start.toZonedDateTimeISO('America/Halifax').toPlainDate();
    const slot = (start: string, end: string) =>
      slotInput.parse({ start: `${date}T${start}`, end: `${date}T${end}` });
    const { pembit, instructor } = school;
    expect(await changeSlot(pembit, instructor, sheet.slots[0]!.id, slot('12:00', '12:40'))).toMatchObject({ fields: [{ field: 'start' }] }); // prettier-ignore
    valueOf(await changeSlot(pembit, instructor, sheet.slots[0]!.id, slot('11:30', '12:25')));
    expect(await addSlot(pembit, instructor, sheet.id, slot('12:10', '12:40'))).toMatchObject({ fields: [{ field: 'start' }] }); // prettier-ignore
    valueOf(await addSlot(pembit, instructor, sheet.id, slot('15:00', '15:30')));
    // In a place of its own: whoever has it is told, and reads it in place of the sheet's.
    const letters = async () => (await select<{ body: string }>(pembit, `SELECT body FROM outbox ORDER BY ${asInserted(pembit)}`)).map(({ body }) => body); // prettier-ignore
    const before = (await letters()).length;
    const own = slotInput.parse({ start: `${date}T11:30`, end: `${date}T12:25`, place: 'Shed 2' });
    valueOf(await changeSlot(pembit, instructor, sheet.slots[0]!.id, own));
    expect((await letters()).slice(before).filter((body) => body.includes('Shed 2'))).toHaveLength(1);
    const holder = await school.signedIn(booking.person);
    const seen = (await planSeenBy(pembit, holder.viewer)).sheets.find(({ id }) => id === sheet.id)!;
    expect(seen.slots.map(({ place, elsewhere }) => [place, elsewhere]).slice(0, 2)).toEqual([['Shed 2', true], [sheet.place, false]]); // prettier-ignore
    // Said again without a place: it stays where it is, and nobody is told.
    valueOf(await changeSlot(pembit, instructor, sheet.slots[0]!.id, slot('11:30', '12:25')));
    expect((await again(sheet)).slots[0]!.place).toBe('Shed 2');
    expect((await letters()).length).toBe(before + 1);
    const who = school.students[9]!.person.id;
    const booked = valueOf(
      await bookFor(pembit, instructor, { slot: sheet.slots[1]!.id, person: who, note: '' }),
    );
    expect(await bookFor(pembit, instructor, { slot: sheet.slots[2]!.id, person: school.stranger.person.id, note: '' })).toMatchObject({ fields: [{ field: 'person' }] }); // prettier-ignore
    valueOf(await markCame(pembit, instructor, booking.id, false));
    expect((await again(sheet)).slots[0]!.bookings[0]!.came).toBe(false);
    expect(valueOf(await messageBooked(pembit, instructor, sheet.id, { bookings: [booked.booking.id], text: 'Bring it.' })).told).toBe(1); // prettier-ignore
    expect(valueOf(await messageBooked(pembit, instructor, sheet.id, { text: 'All.' })).told).toBe(2);
    expect(valueOf(await cancelDays(pembit, instructor, sheet.id, { from: date, to: date, message: 'Storm.' }))).toEqual({ cancelled: 5, told: 2 }); // prettier-ignore
    expect((await again(sheet)).slots).toEqual([]);
  });

  test('nobody else does any of it', async () => {
    const sheet = await offer();
    for (const actor of [school.students[0]!, school.stranger]) {
      expect(reason(await cancelDays(school.pembit, actor, sheet.id, { from: day, message: '' }))).toBe(
        'notFound',
      );
      expect(reason(await messageBooked(school.pembit, actor, sheet.id, { text: 'x' }))).toBe('notFound');
      expect(reason(await bookFor(school.pembit, actor, { slot: sheet.slots[0]!.id, person: school.students[0]!.person.id, note: '' }))).toBe('notFound'); // prettier-ignore
    }
  });
});

test('a reminder goes out once, a day before, to who took the time earlier', async () => {
  const sheet = await offer();
  await take(sheet, 0, 10);
  const since = (await letters(10)).length;
  const hours = school.pembit.now().until(sheet.slots[0]!.interval.start).total('hours');
  await remind(school.pembit);
  expect(await letters(10, since)).toEqual([]);
  await remind(later(hours - 23));
  await remind(later(hours - 22));
  expect((await letters(10, since)).map((letter) => letter.subject.split(':')[0])).toEqual(['Soon']);
});

describe('a link by mail', () => {
  const tokenIn = (text: string) => /\?link=([\w-]+)/.exec(text)?.[1] ?? '';
  test('signs in the student of the roster once, within 15 minutes; looking does not spend it', async () => {
    const sheet = await offer();
    const { pembit, students } = school;
    const since = (await letters(11)).length;
    const known = await sendMailLink(pembit, sheet.id, students[11]!.person.email.toUpperCase(), '');
    expect(known).toEqual(await sendMailLink(pembit, sheet.id, 'nobody@x.example', ''));
    const token = tokenIn((await letters(11, since))[0]!.body);
    expect(await holdsLink(pembit, sheet.id, token)).toBe(true);
    expect(await holdsLink(later(1), sheet.id, token)).toBe(false);
    const session = valueOf(await spendMailLink(pembit, sheet.id, token));
    expect((await signedInBy(pembit, session.token))!.person.id).toBe(students[11]!.person.id);
    expect(await spendMailLink(pembit, sheet.id, token)).toMatchObject({ reason: 'linkSpent' });
  });
  test('never whoever teaches, nor whom the sheet is not for', async () => {
    const sheet = await offer();
    for (const actor of [school.instructor, school.stranger]) {
      await sendMailLink(school.pembit, sheet.id, actor.person.email, '');
      const found = await select(school.pembit, 'SELECT 1 AS one FROM outbox WHERE recipient = :to AND subject LIKE :what', { to: actor.person.email, what: 'Take a time%' }); // prettier-ignore
      expect(found).toEqual([]);
    }
  });
});

test('letters about one’s own doings come as one wishes; what others do to a time is always written', async () => {
  const { pembit, instructor, students } = school;
  const [student] = students;
  const wants = async (times: 'never' | 'daily') =>
    valueOf(await changeOwnSettings(pembit, student!, { ...NO_PERSON_SETTINGS, letters: { ...USUAL_LETTERS, times } })); // prettier-ignore
  const sheet = await offer();
  const since = (await letters(0)).length;
  await wants('never');
  const booking = await take(sheet, 0, 0);
  valueOf(await giveBack(pembit, student!, booking.id));
  await wants('daily');
  await take(sheet, 1, 0);
  expect((await letters(0)).slice(since)).toEqual([]);
  const waiting = await linesOf(pembit, student!.person.id, pembit.now().epochMilliseconds);
  expect(waiting).toMatchObject([{ sort: 'times', line: expect.stringContaining(sheet.title) as string }]);
  valueOf(await cancelTime(pembit, instructor, sheet.slots[1]!.id));
  expect((await letters(0)).slice(since)).toHaveLength(1);
  valueOf(await changeOwnSettings(pembit, student!, NO_PERSON_SETTINGS));
});

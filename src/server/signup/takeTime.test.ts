import { Temporal } from 'temporal-polyfill';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { sheetInput } from '@/core/signup/sheetInput';
import type { Sheet } from '@/core/signup/sheet';
import { select } from '@/data/database';
import { giveBack } from './giveBack';
import { offerTimes } from './offerTimes';
import { takeTime } from './takeTime';

let school: School;
beforeAll(async () => {
  school = await newSchool({ students: 40 });
});
afterAll(() => school.close());

const LUNCH = [{ date: '2026-10-15', start: '12:00', end: '14:00' }];
type Changes = Readonly<{ offering?: object; rules?: object; seats?: number; offered?: boolean; place?: string; meetingLink?: string }>; // prettier-ignore
const asked = ({ offering, rules, ...changes }: Changes = {}) =>
  sheetInput.parse({
    title: 'Office hours',
    audience: [{ course: school.course }],
    offering: { stretches: LUNCH, length: 25, gap: 5, ...offering },
    rules: { perSheet: 1, ...rules },
    ...changes,
  });
let day = Temporal.PlainDate.from('2026-10-15');
/** Each sheet on a day of its own: what its instructor has otherwise is left out. */
async function offer(changes: Changes = {}): Promise<Sheet> {
  const stretches = [{ ...LUNCH[0]!, date: day.toString() }];
  day = day.add({ days: 1 });
  const input = asked({ ...changes, offering: { stretches, ...changes.offering } });
  const outcome = await offerTimes(school.pembit, school.instructor, input);
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome.value;
}
const reasonOf = (outcome: { ok: boolean; reason?: string }) => (outcome.ok ? 'taken' : outcome.reason);

describe('taking a time', () => {
  test('of 200 who want one free time at once, one gets it and 199 are told that it is taken', async () => {
    const sheet = await offer({ rules: { perSheet: 5 } });
    const slot = sheet.slots[0]!.id;
    const answers = await Promise.all(
      Array.from({ length: 200 }, (_, i) =>
        takeTime(school.pembit, school.students[i % 40]!, slot, { note: `note ${i}` }),
      ),
    );
    const counted = answers.map(reasonOf);
    expect(counted.filter((answer) => answer === 'taken')).toHaveLength(1);
    const others = counted.filter((answer) => answer === 'timeTaken' || answer === 'alreadyYours');
    expect(others).toHaveLength(199);
  });

  test('a limit holds against a student who asks for every time at once', async () => {
    const sheet = await offer({ rules: { perSheet: 2 } });
    const student = school.students[3]!;
    const answers = await Promise.all(
      sheet.slots.map((slot) => takeTime(school.pembit, student, slot.id, {})),
    );
    expect(answers.map(reasonOf).sort()).toEqual(['taken', 'taken', 'timesUsedUp', 'timesUsedUp']);
  });

  test('seats given back are taken again, whichever they were', async () => {
    const sheet = await offer({ seats: 2 });
    const slot = sheet.slots[1]!.id;
    const [a, b, c] = school.students.slice(5, 8);
    const first = await takeTime(school.pembit, a!, slot, {});
    expect(reasonOf(await takeTime(school.pembit, b!, slot, {}))).toBe('taken');
    expect(reasonOf(await takeTime(school.pembit, c!, slot, {}))).toBe('timeTaken');
    if (!first.ok) throw new Error('not taken');
    expect((await giveBack(school.pembit, a!, first.value.booking.id)).ok).toBe(true);
    expect(reasonOf(await takeTime(school.pembit, c!, slot, {}))).toBe('taken');
  });

  test('a stranger, a draft and a time of one’s own sheet are not there', async () => {
    const sheet = await offer();
    const draft = await offer({ offered: false });
    expect(reasonOf(await takeTime(school.pembit, school.stranger, sheet.slots[0]!.id, {}))).toBe('notFound');
    expect(reasonOf(await takeTime(school.pembit, school.students[9]!, draft.slots[0]!.id, {}))).toBe(
      'notFound',
    );
    expect(reasonOf(await takeTime(school.pembit, school.instructor, sheet.slots[0]!.id, {}))).toBe(
      'notFound',
    );
  });

  test('nobody gives back another’s time', async () => {
    const sheet = await offer();
    const taken = await takeTime(school.pembit, school.students[10]!, sheet.slots[0]!.id, {});
    if (!taken.ok) throw new Error('not taken');
    expect(reasonOf(await giveBack(school.pembit, school.students[11]!, taken.value.booking.id))).toBe(
      'notFound',
    );
  });
});

describe('offering times', () => {
  test('only times still to come are made', async () => {
    const sheet = await offer({
      offering: { stretches: [{ date: '2026-10-13', start: '08:00', end: '11:00' }], length: 60, gap: 0 },
    });
    // The clock stands at 9:00 in Halifax and runs.
    expect(sheet.slots.map((slot) => slot.interval.start.toString())).toEqual(['2026-10-13T13:00:00Z']);
    expect(Temporal.Instant.compare(sheet.slots[0]!.interval.start, school.pembit.now())).toBe(1);
  });

  test('what is refused leaves nothing behind', async () => {
    const count = async () =>
      (await select<{ n: number }>(school.pembit, 'SELECT COUNT(*) AS n FROM sheets'))[0]!.n;
    const before = await count();
    const refusal = async (changes: Changes, course = school.course) =>
      reasonOf(
        await offerTimes(school.pembit, school.instructor, { ...asked(changes), audience: [{ course }] }),
      );
    expect(await refusal({}, school.other)).toBe('notYours');
    expect(await refusal({ offering: { stretches: [...LUNCH, ...LUNCH] } })).toBe('stretchesOverlap');
    const past = [{ date: '2026-10-12', start: '12:00', end: '14:00' }];
    expect(await refusal({ offering: { stretches: past } })).toBe('nothingToOffer');
    expect(await count()).toBe(before);
  });
});

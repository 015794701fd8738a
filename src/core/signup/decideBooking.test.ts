import { describe, expect, test } from 'vitest';
import {
  HL,
  IVO,
  MAREN,
  NOW,
  ODA,
  booking,
  instant,
  sheet,
  staff,
  student,
} from '../../../tests/support/plans';
import type { BookingId, PersonId } from '../ids';
import { decideBooking } from './decideBooking';
import { seenSheet } from './seenSheet';
import type { Sheet } from './sheet';

const mine = booking();
const theirs = booking({ id: 'b2' as BookingId, person: ODA, personName: 'Oda Tarn', note: 'Secret' });
const answer = (given: Sheet, slot: number, person: PersonId = IVO, now = NOW) => {
  const decision = decideBooking(given, given.slots[slot]!, person, now);
  return decision.ok ? decision.seat : decision.reason;
};

describe('a student asks for a time', () => {
  test.each<[string, Sheet, number, number | string]>([
    ['that is free', sheet([[], []]), 0, 1],
    ['that is taken', sheet([[theirs], []]), 0, 'timeTaken'],
    ['that is theirs', sheet([[mine], []]), 0, 'alreadyYours'],
    ['while holding as many as allowed', sheet([[mine], []]), 1, 'timesUsedUp'],
    ['while holding fewer than allowed', sheet([[mine], []], { timesPerStudent: 2 }), 1, 1],
  ])('%s', (_, given, slot, expected) => expect(answer(given, slot)).toBe(expected));

  test('with several seats, and gets the lowest free one', () => {
    const two = sheet([[]]);
    const slot = { ...two.slots[0]!, seats: 3, bookings: [{ ...theirs, seat: 2 }] };
    expect(answer({ ...two, slots: [slot] }, 0)).toBe(1);
    const next = {
      ...slot,
      bookings: [
        { ...theirs, seat: 1 },
        { ...theirs, person: MAREN, seat: 2 },
      ],
    };
    expect(answer({ ...two, slots: [next] }, 0)).toBe(3);
  });

  test.each([
    ['a minute before it begins', '2026-10-15T11:59', 1],
    ['as it begins', '2026-10-15T12:00', 'timeOver'],
    ['after it', '2026-10-15T13:00', 'timeOver'],
  ])('%s', (_, now, expected) => expect(answer(sheet([[]]), 0, IVO, instant(now))).toBe(expected));
});

describe('what is seen of a sheet', () => {
  const given = sheet([[mine], [theirs], []]);
  test('students see that a time is taken, and their own note, but not who else comes or why', () => {
    const seen = seenSheet(student(), given)!;
    expect(seen.slots.map((slot) => slot.taken)).toEqual([1, 1, 0]);
    expect(seen.slots[0]).toMatchObject({ mine: 'b1', bookings: [{ note: 'My stem', mine: true }] });
    expect(seen.slots[1]!.bookings).toEqual([]);
    expect(JSON.stringify(seen)).not.toContain('Secret');
    expect(seen.meetingLink).toBe('https://meet.example/1');
  });

  test('its staff see everyone', () => {
    expect(
      seenSheet(staff(HL), given)!.slots.flatMap((slot) => slot.bookings.map((b) => b.personName)),
    ).toEqual(['Ivo Saltmarsh', 'Oda Tarn']);
  });

  test('an outlet shows neither names nor the meeting link', () => {
    const seen = seenSheet({ kind: 'public', courses: new Set([HL]), sections: new Set() }, given)!;
    expect(JSON.stringify(seen)).not.toMatch(/Ivo|Oda|meet\.example/);
  });

  test('one that is kept as a draft is there for the staff alone', () => {
    const draft = sheet([[]], { offered: false });
    expect(seenSheet(student(), draft)).toBeUndefined();
    expect(seenSheet(staff(HL), draft)?.release).toBe('draft');
  });
});

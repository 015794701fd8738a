import { Temporal } from 'temporal-polyfill';
import { describe, expect, test } from 'vitest';
import {
  HL,
  IVO,
  MAREN,
  NOW,
  ODA,
  TZID,
  at,
  booking,
  instant,
  sheet,
  staff,
  student,
} from '../../../tests/support/plans';
import type { BookingId, PersonId } from '../ids';
import { requireZone } from '../time/zoneData';
import { decideBooking, decideGiveBack } from './decideBooking';
import { readNotice } from './readNotice';
import { seenSheet } from './seenSheet';
import type { Sheet, SheetRules } from './sheet';
import { DEFAULT_RULES } from './sheet';

const mine = booking();
const theirs = booking({ id: 'b2' as BookingId, person: ODA, personName: 'Oda Tarn', note: 'Secret' });
const answer = (given: Sheet, slot: number, person: PersonId = IVO, now = NOW) => {
  const decision = decideBooking(given, given.slots[slot]!, { person, now, zone: requireZone(TZID) });
  return decision.ok ? decision.seat : decision.reason;
};

describe('a student asks for a time', () => {
  test.each<[string, Sheet, number, number | string]>([
    ['that is free', sheet([[], []]), 0, 1],
    ['that is taken', sheet([[theirs], []]), 0, 'timeTaken'],
    ['that is theirs', sheet([[mine], []]), 0, 'alreadyYours'],
    ['while holding as many as allowed', sheet([[mine], []]), 1, 'timesUsedUp'],
    [
      'while holding fewer than allowed',
      sheet([[mine], []], { rules: { ...DEFAULT_RULES, perSheet: 2 } }),
      1,
      1,
    ],
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

describe('the rules of a sheet', () => {
  const ruled = (rules: Partial<SheetRules>) =>
    sheet([[], [], [mine]], { rules: { ...DEFAULT_RULES, perSheet: 9, ...rules } });
  const moment = (text: string) => ({ wall: at(text), at: instant(text) });
  const day = { kind: 'day', days: 1, at: Temporal.PlainTime.from('18:00') } as const;
  test.each<[string, Partial<SheetRules>, string, number | string]>([
    ['before it opens', { opens: moment('2026-10-14T08:00') }, '2026-10-14T07:59', 'notOpenYet'],
    ['as it opens', { opens: moment('2026-10-14T08:00') }, '2026-10-14T08:00', 1],
    ['as it closes', { closes: moment('2026-10-14T08:00') }, '2026-10-14T08:00', 'sheetClosed'],
    ['two hours before', { take: { kind: 'minutes', minutes: 120 } }, '2026-10-15T10:00', 'tooLateToTake'],
    ['a minute earlier', { take: { kind: 'minutes', minutes: 120 } }, '2026-10-15T09:59', 1],
    ['at six the evening before', { take: day }, '2026-10-14T18:00', 'tooLateToTake'],
    ['before six the evening before', { take: day }, '2026-10-14T17:59', 1],
    ['a second one on a day', { perDay: 1 }, '2026-10-14T08:00', 'dayUsedUp'],
    ['a second one in a week', { perWeek: 1 }, '2026-10-14T08:00', 'weekUsedUp'],
  ])('%s', (_, rules, now, expected) => expect(answer(ruled(rules), 0, IVO, instant(now))).toBe(expected));

  test('a seat that is kept for somebody who waits is theirs alone, until the offer has run out', () => {
    const waiting = [
      { person: ODA, personName: 'Oda Tarn', since: NOW, offeredUntil: instant('2026-10-14T12:00') },
    ];
    const given = sheet([[]]);
    const kept = { ...given, slots: [{ ...given.slots[0]!, waiting }] };
    expect(answer(kept, 0, IVO, instant('2026-10-14T11:59'))).toBe('timeTaken');
    expect(answer(kept, 0, ODA, instant('2026-10-14T11:59'))).toBe(1);
    expect(answer(kept, 0, IVO, instant('2026-10-14T12:00'))).toBe(1);
  });

  test('exchanging a time does not count the one that is given up', () => {
    const given = sheet([[mine], []]);
    const asking = { person: IVO, now: NOW, zone: requireZone(TZID) };
    expect(decideBooking(given, given.slots[1]!, { ...asking, instead: given.slots[0]! })).toEqual({
      ok: true,
      seat: 1,
    });
    expect(decideBooking(given, given.slots[1]!, asking)).toMatchObject({ reason: 'timesUsedUp' });
  });

  test.each([
    ['2026-10-14T17:59', undefined],
    ['2026-10-14T18:00', 'tooLateToGiveBack'],
    ['2026-10-15T12:00', 'timeBegun'],
  ])('given back at %s: %s', (now, reason) => {
    const given = ruled({ giveBack: day });
    expect(decideGiveBack(given, given.slots[0]!, { now: instant(now), zone: requireZone(TZID) })).toBe(
      reason,
    );
  });

  test.each([
    ['2 hours', { kind: 'minutes', minutes: 120 }],
    ['until 30 min before', { kind: 'minutes', minutes: 30 }],
    ['any time', { kind: 'minutes', minutes: 0 }],
    ['1 day', { kind: 'minutes', minutes: 1440 }],
    ['18:00 the day before', { ...day }],
    ['by 18:00 the day before', { ...day }],
    ['the evening before', { ...day }],
    ['9:30 two days', undefined],
    ['9:30 the 2 days before', { kind: 'day', days: 2, at: Temporal.PlainTime.from('09:30') }],
    ['6 the day before', 'ask'],
    ['soon', undefined],
  ])('%s', (text, read) => expect(readNotice(text)).toEqual(read));
});

describe('what is seen of a sheet', () => {
  const given = sheet([[mine], [theirs], []]);
  test('students see that a time is taken, and their own note, but not who else comes or why', () => {
    const seen = seenSheet(student(), given, NOW)!;
    expect(seen.slots.map((slot) => slot.taken)).toEqual([1, 1, 0]);
    expect(seen.slots[0]).toMatchObject({ mine: 'b1', bookings: [{ note: 'My stem', mine: true }] });
    expect(seen.slots[1]!.bookings).toEqual([]);
    expect(JSON.stringify(seen)).not.toContain('Secret');
    expect(seen.meetingLink).toBe('https://meet.example/1');
  });

  test('its staff see everyone', () => {
    expect(
      seenSheet(staff(HL), given, NOW)!.slots.flatMap((slot) => slot.bookings.map((b) => b.personName)),
    ).toEqual(['Ivo Saltmarsh', 'Oda Tarn']);
  });

  test('an outlet shows neither names nor the meeting link', () => {
    const seen = seenSheet(
      {
        kind: 'public',
        courses: new Set([HL]),
        sections: new Set(),
        calendars: new Set(),
        meetingLinks: false,
      },
      given,
      NOW,
    )!;
    expect(JSON.stringify(seen)).not.toMatch(/Ivo|Oda|meet\.example/);
  });

  test('one that is kept as a draft is there for the staff alone', () => {
    const draft = sheet([[]], { offered: false });
    expect(seenSheet(student(), draft, NOW)).toBeUndefined();
    expect(seenSheet(staff(HL), draft, NOW)?.release).toBe('draft');
  });
});

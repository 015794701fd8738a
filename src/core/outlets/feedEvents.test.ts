import { describe, expect, test } from 'vitest';
import {
  HL,
  MAREN,
  NOW,
  assignment,
  at,
  booking,
  course,
  day,
  event,
  meeting,
  plan,
  sheet,
  student,
  time,
} from '../../../tests/support/plans';
import type { OutletId, SectionId } from '../ids';
import { momentProperty } from '../icalendar/values';
import type { Plan } from '../plan/plan';
import { requireZone } from '../time/zoneData';
import { momentText } from '../time/zonedWall';
import { feedEvents } from './feedEvents';
import type { Outlet, OutletKind } from './outlet';
import { OUTLET_KINDS, PERSONAL_DEFAULTS, PUBLISHED_DEFAULTS } from './outlet';
import { outletContents } from './outletContents';
import { outletViewer } from './outletViewer';

const addresses = {
  entry: (id: string) => `https://p.example/e/${id}`,
  class: ({ date }: { date: { toString: () => string } }) => `https://p.example/day/${date}`,
  day: (date: { toString: () => string }) => `https://p.example/day/${date}`,
  signUp: 'https://p.example/sign-up',
  page: (path: string) => `https://pembit.example${path}`,
};
const published = (kinds: readonly OutletKind[] = OUTLET_KINDS, more: { times?: 'single' } = {}): Outlet => ({
  id: 'o' as OutletId, kind: 'feed', name: 'HL', owner: MAREN, generation: 1, audience: 'public', ...PUBLISHED_DEFAULTS, courses: [HL], sections: ['a' as SectionId], kinds, ...more,
}); // prettier-ignore
const personal: Outlet = {
  id: 'o' as OutletId,
  kind: 'feed',
  name: 'Ivo',
  owner: student().id,
  generation: 1,
  audience: 'personal',
  ...PERSONAL_DEFAULTS,
};
const write = (given: Plan, outlet: Outlet = published()) =>
  feedEvents(outletContents(outlet, outletViewer(outlet, student()), given, NOW), addresses, requireZone);

test('an assignment is two components: the day it is set and the time it is due, each with a UID of its own', () => {
  const links = [{ url: 'https://x.example/1', label: 'Handout', staffOnly: false }];
  const [set, due] = write(plan({ entries: [assignment({ links, description: 'Bring battens.' })] }));
  expect(set).toMatchObject({
    uid: 'uid-w1-set',
    summary: 'HL: Body plan (set, due Thu 15 Oct, 17:00)',
    transp: 'TRANSPARENT',
  });
  expect(momentText(set!.dtstart)).toBe('2026-10-08');
  expect(due).toMatchObject({
    uid: 'uid-w1',
    summary: 'HL: Body plan (due)',
    url: 'https://p.example/e/w1',
    transp: 'TRANSPARENT',
  });
  // A due time has no duration: DTEND must be later than DTSTART (RFC 5545 section 3.8.2.2).
  expect(due!.dtend).toBeUndefined();
  expect(due!.description).toBe(
    'Set Thu 8 Oct.\nOn paper\nBring battens.\nHandout: https://x.example/1\nDay sheet: https://p.example/day/2026-10-15',
  );
});

test('a timed event takes time, an all-day one does not', () => {
  expect(write(plan({ entries: [event()] }))[0]).toMatchObject({
    transp: 'OPAQUE',
    summary: 'HL: Rope walk',
    class: 'PUBLIC',
  });
  expect(
    write(
      plan({
        entries: [event({ when: { kind: 'days', start: day('2026-10-14'), end: day('2026-10-15') } })],
      }),
    )[0]!.transp,
  ).toBe('TRANSPARENT');
});

test('a teaching week is whole days that keep nobody from anything else', () => {
  const midnight = time('00:00');
  const week = meeting({ key: 'week-7', ordinal: 7, strand: 'week', date: day('2026-10-19'), until: day('2026-10-26'), start: midnight, end: midnight });
  const sections = [{ id: 'a' as SectionId, name: 'A', students: 20, patterns: [], meetings: [week] }];
  const [written] = write(plan({ courses: [course({ sections })] }));
  expect(written).toMatchObject({ summary: 'HL: Week 7', transp: 'TRANSPARENT', location: '' });
  expect([String(written!.dtstart), String(written!.dtend)]).toEqual(['2026-10-19', '2026-10-26']);
}); // prettier-ignore

test('a cancelled class stays, marked as such', () => {
  const sections = [
    {
      id: 'a' as SectionId,
      name: 'A',
      students: 20,
      patterns: [],
      meetings: [meeting({ cancelled: 'Storm', sequence: 3 })],
    },
  ];
  expect(write(plan({ courses: [course({ sections })] }))[0]).toMatchObject({
    uid: 'm1',
    status: 'CANCELLED',
    sequence: 3,
    transp: 'TRANSPARENT',
    description: expect.stringContaining('Cancelled: Storm') as string,
  });
});

describe('the link into a meeting', () => {
  const given = plan({ courses: [course({ meetingLink: 'https://meet.example/hl', sections: [{ id: 'a' as SectionId, name: 'A', students: 20, patterns: [], meetings: [meeting()] }] })], sheets: [sheet([[booking()]])] }); // prettier-ignore
  test('is in a personal feed', () => {
    expect(write(given, personal).map((e) => e.conference)).toEqual([
      'https://meet.example/hl',
      'https://meet.example/1',
      undefined,
    ]);
  });
  test('of an event carries the name that it was given', () => {
    const named = plan({ entries: [event({ meetingLink: 'https://meet.example/7', meetingName: 'Loft, with the camera' })] });
    expect(write(named, personal)).toMatchObject([
      { conference: 'https://meet.example/7', conferenceLabel: 'Loft, with the camera' },
    ]);
    expect(JSON.stringify(write(named))).not.toContain('camera');
  }); // prettier-ignore
  test('is in no public one', () => {
    expect(JSON.stringify(write(given))).not.toContain('meet.example');
  });
});

test('a time taken is in the personal feed of whoever took it, as private, and nowhere else', () => {
  const given = plan({ sheets: [sheet([[booking()], []])] });
  expect(write(given, personal).filter((e) => e.class === 'PRIVATE')).toMatchObject([
    { uid: 'uid-b1', summary: 'HL: Office hours with Maren Toft', transp: 'OPAQUE' },
  ]);
  expect(write(given)).toMatchObject([
    { uid: 'uid-sheet-2026-10-15', summary: 'HL: Office hours (1 of 2 times free)', class: 'PUBLIC' },
  ]);
});

test('times stand as one line a day, or each free one by itself; what is free is news to a reader', () => {
  const last = NOW.add({ hours: 1 });
  const given = plan({ sheets: [sheet([[booking()], [], []], { uses: { count: 3, last } })] });
  const lines = (times: 'days' | 'single') =>
    write(given, published(['times'], times === 'single' ? { times } : {}));
  expect(lines('days')).toMatchObject([
    { summary: 'HL: Office hours (2 of 3 times free)', sequence: 3, dtstamp: last },
  ]);
  expect(lines('single').map((e) => [e.uid, e.summary])).toEqual([
    ['uid-sheet-slot1', 'HL: Office hours (free)'],
    ['uid-sheet-slot2', 'HL: Office hours (free)'],
  ]);
});

test('only what is ticked is in it', () => {
  const given = plan({ entries: [event(), assignment()], sheets: [sheet([[]])] });
  const uids = (...kinds: OutletKind[]) => write(given, published(kinds)).map((e) => e.uid);
  expect(uids('due')).toEqual(['uid-w1']);
  expect(uids('set', 'event')).toEqual(['uid-w1-set', 'uid-e1']);
  expect(uids('times')).toEqual(['uid-sheet-2026-10-15']);
});

test('contents say when time alone changes them next, and when it last did', () => {
  const shown = (hours: number) =>
    event({ visibility: { kind: 'from', from: at('2026-10-13T09:00'), at: NOW.add({ hours }) } });
  const contents = outletContents(
    published(),
    outletViewer(published(), student()),
    plan({ entries: [shown(5), shown(2), shown(-3), shown(-1)] }),
    NOW,
  );
  expect(contents.validUntil?.toString()).toBe(NOW.add({ hours: 2 }).toString());
  expect(contents.changedByTime?.toString()).toBe(NOW.subtract({ hours: 1 }).toString());
});

test('times in the second pass of a repeated hour, which no TZID names, are written in UTC', () => {
  const given = plan({ sheets: [sheet([[], [], []], {}, '2026-11-01')] });
  const shifted = { ...given.sheets[0]!, slots: given.sheets[0]!.slots.map((slot, i) => { const start = NOW.add({ hours: 24 * 19 - 8 + i + 0 }).add({ minutes: 30 }); return { ...slot, interval: { start, end: start.add({ minutes: 25 }) } }; }) }; // prettier-ignore
  const [first] = write(plan({ sheets: [{ ...shifted, slots: shifted.slots.slice(1, 2) }] }));
  expect(momentText(first!.dtstart)).toBe('2026-11-01T01:30[_pass=2]');
  expect(momentProperty('DTSTART', first!.dtstart)).toBe('DTSTART:20261101T053000Z');
});

test('a series goes out with its days without classes as EXDATE, its rule uncut', () => {
  const closed = [at('2026-10-20T10:00')];
  const rrule = 'FREQ=WEEKLY;UNTIL=20261218T235959';
  const weekly = event({
    when: { kind: 'timed', start: at('2026-09-08T10:00'), end: at('2026-09-08T11:30') },
    recurrence: { rrule, exdates: [at('2026-11-10T10:00')], closed, overrides: [] },
  });
  const contents = outletContents(personal, student(), plan({ entries: [weekly] }), NOW);
  const [series] = feedEvents(contents, addresses, requireZone).filter((e) => e.rrule);
  expect(series!.exdates!.map(momentText)).toEqual(['2026-11-10T10:00', '2026-10-20T10:00']);
  expect(series!.rrule).toMatch(/^FREQ=WEEKLY;UNTIL=20261219T/);
});

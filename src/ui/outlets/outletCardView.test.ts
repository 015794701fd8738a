import { describe, expect, test } from 'vitest';
import { HL, MAREN, NV, TZID, course, day, instant, navigation } from '../../../tests/support/plans';
import type { CalendarId, OutletId } from '@/core/ids';
import type { Outlet } from '@/core/outlets/outlet';
import { DEFAULT_LOOK, PERSONAL_DEFAULTS, PUBLISHED_DEFAULTS } from '@/core/outlets/outlet';
import { requireZone } from '@/core/time/zoneData';
import { READ_DAYS, outletCard, readWords } from './outletCardView';

const url = 'https://pembit.example/feeds/abc/plan.ics';
const club = { id: 'club' as CalendarId, name: 'Harbour club' };
const published = {
  id: 'o' as OutletId,
  kind: 'feed',
  name: 'Hull lofting',
  owner: MAREN,
  generation: 3,
  audience: 'public',
  ...PUBLISHED_DEFAULTS,
  courses: [HL],
  kinds: ['class', 'due'],
} as const;
const personal: Outlet = {
  id: 'p' as OutletId,
  kind: 'feed',
  name: 'Maren Toft: all courses',
  owner: MAREN,
  generation: 1,
  audience: 'personal',
  ...PERSONAL_DEFAULTS,
  kinds: ['due'],
};
const frame = { zone: requireZone(TZID), today: day('2026-10-13'), locale: 'en-GB' };
const card = (outlet: Outlet, more: Partial<Parameters<typeof outletCard>[1]> = {}) =>
  outletCard({ ...outlet, url }, { courses: [course(), navigation()], calendars: [club], ...frame, ...more });

describe('who can read it is said', () => {
  test.each([
    ['public', published, true, /^Anyone with its address can read it/],
    [
      'roster',
      { ...published, audience: 'roster' as const },
      false,
      /^Give the address to your students only/,
    ],
    ['personal', personal, false, /^Your own: whoever holds this address/],
  ] as const)('%s', (_, outlet, isPublic, words) => {
    const { readers, isPublic: open } = card(outlet);
    expect(readers).toMatch(words);
    expect(open).toBe(isPublic);
  });
});

describe('what is in it', () => {
  test('its courses and calendars by name, and the kinds', () =>
    expect(card({ ...published, courses: [HL, NV], calendars: [club.id] }).holds).toBe(
      'HL Hull lofting, NV Coastal navigation and Harbour club: classes and due work',
    ));
  test('a personal feed holds whatever its owner takes and teaches', () =>
    expect(card(personal).holds).toBe('It holds due work.'));
  test('an embed says its view first', () =>
    expect(card({ ...published, kind: 'embed' }).holds).toMatch(/^Coming days\. HL Hull lofting/));
});

describe('the address in the forms that people need', () => {
  test('a feed by webcal, without a snippet', () =>
    expect(card(published)).toMatchObject({
      webcal: 'webcal://pembit.example/feeds/abc/plan.ics',
      snippet: undefined,
    }));
  test('an embed as a snippet with its title and height, escaped', () => {
    const embed = {
      ...published,
      kind: 'embed' as const,
      look: { ...DEFAULT_LOOK, title: '“Lines” <b>', height: 480 },
    };
    expect(card(embed).snippet).toMatch(/^<iframe .* height="480"/);
    expect(card(embed).snippet).not.toContain('<b>');
  });
  test('its picture is another one when the address is replaced, and never the address itself', () => {
    expect(card(published).code).not.toBe(card({ ...published, generation: 4 }).code);
    expect(card(published).code).not.toContain('abc');
  });
  test('stand-ins are offered in a demonstration alone', () => {
    expect(card(published).standin).toBeUndefined();
    expect(card(published, { standins: 'http://127.0.0.1:9' }).standin!.href).toContain(
      encodeURIComponent(url),
    );
  });
});

describe('how it is read', () => {
  const use = {
    lastAtMs: instant('2026-10-13T08:15').epochMilliseconds,
    days: [
      { day: '2026-10-12', reads: 3 },
      { day: '2026-10-13', reads: 2 },
      { day: '2026-09-01', reads: 99 },
    ],
  };
  test('never', () => expect(readWords(undefined, frame)).toBe('Not read yet'));
  test('when last, by the clock of the term, and how often in two weeks', () => {
    expect(readWords(use, frame)).toContain('Tue 13 Oct, 08:15');
    expect(readWords(use, frame)).toContain('5');
  });
  test('a bar for each of the last days, those without a reading too', () => {
    const { days } = card(published, { use });
    expect(days).toHaveLength(READ_DAYS);
    expect(days.slice(-3).map(({ reads }) => reads)).toEqual([0, 3, 2]);
    expect(days.reduce((sum, { reads }) => sum + reads, 0)).toBe(5);
  });
  test('no bars where nothing was read of late', () => expect(card(published).days).toEqual([]));
});

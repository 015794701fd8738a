import { describe, expect, test } from 'vitest';
import { HL, MAREN, NOW, at, day, event, plan, student } from '../../../tests/support/plans';
import type { EventEntry } from '../entries/entry';
import type { EntryId, OutletId, SectionId } from '../ids';
import { requireZone } from '../time/zoneData';
import { momentText } from '../time/zonedWall';
import { feedEvents } from './feedEvents';
import type { Outlet } from './outlet';
import { PUBLISHED_DEFAULTS } from './outlet';
import { outletContents } from './outletContents';
import { outletViewer } from './outletViewer';

/** It is 13 October 2026; the feed looks back a week, to the 6th. */
const outlet: Outlet = {
  id: 'o' as OutletId, kind: 'feed', name: 'HL', owner: MAREN, generation: 1, audience: 'public', ...PUBLISHED_DEFAULTS, courses: [HL], sections: ['a' as SectionId], daysBack: 7,
}; // prettier-ignore
const address = (path: unknown) => `https://p.example/${String(path)}`;
const addresses = {
  entry: address,
  day: address,
  class: address,
  page: address,
  signUp: 'https://p.example/sign-up',
};
const held = (changes: Partial<EventEntry>) => {
  const entry = event({ id: 'e1' as EntryId, uid: 'u', ...changes });
  const contents = outletContents(outlet, outletViewer(outlet, student()), plan({ entries: [entry] }), NOW);
  return feedEvents(contents, addresses, requireZone).map(
    (e) => e.rrule ?? `${e.recurrenceId ? `${momentText(e.recurrenceId)} is ` : ''}${momentText(e.dtstart)}`,
  );
};
const weekly = (rrule: string, overrides: NonNullable<EventEntry['recurrence']>['overrides'] = []) => ({
  when: { kind: 'timed', start: at('2026-09-08T12:00'), end: at('2026-09-08T13:00') } as const,
  recurrence: { rrule, exdates: [], overrides },
});

test('what is over before the day is left out, what lasts into it stays', () => {
  const days = (start: string, end: string) =>
    held({ when: { kind: 'days', start: day(start), end: day(end) } });
  expect(days('2026-10-01', '2026-10-06')).toEqual([]);
  expect(days('2026-10-01', '2026-10-07')).toHaveLength(1);
});

test('a series without an end ends where the views of the plan do: two months after the last term', () => {
  expect(held(weekly('FREQ=WEEKLY;BYDAY=TU'))).toEqual(['FREQ=WEEKLY;BYDAY=TU;UNTIL=20270219T035959Z']);
});

describe('a series', () => {
  const moved = { recurrenceId: at('2026-09-15T12:00'), start: at('2026-09-16T12:00') };
  test('goes out whole, its rule uncut, with what was moved and called off long before', () => {
    const off = { recurrenceId: at('2026-11-03T12:00'), cancelled: 'Storm' };
    expect(held(weekly('FREQ=WEEKLY;BYDAY=TU;UNTIL=20261215', [moved, off]))).toEqual([
      'FREQ=WEEKLY;BYDAY=TU;UNTIL=20261216T035959Z',
      '2026-09-15T12:00 is 2026-09-16T12:00',
      '2026-11-03T12:00 is 2026-11-03T12:00',
    ]);
  });
  test('that is over is gone whole, by its UNTIL or by its COUNT', () => {
    expect(held(weekly('FREQ=WEEKLY;BYDAY=TU;UNTIL=20260929', [moved]))).toEqual([]);
    expect(held(weekly('FREQ=WEEKLY;BYDAY=TU;COUNT=4', [moved]))).toEqual([]);
    expect(held(weekly('FREQ=WEEKLY;BYDAY=TU;COUNT=5', [moved]))).toHaveLength(2);
  });
  test('stays for one occurrence that was moved into sight, and goes where its last one was moved out of it', () => {
    const late = { recurrenceId: at('2026-09-29T12:00'), start: at('2026-10-08T12:00') };
    expect(held(weekly('FREQ=WEEKLY;BYDAY=TU;UNTIL=20260929', [late]))).toHaveLength(2);
    const early = { recurrenceId: at('2026-10-06T12:00'), start: at('2026-10-05T12:00') };
    expect(held(weekly('FREQ=WEEKLY;BYDAY=TU;UNTIL=20261006', [early]))).toEqual([]);
  });
});

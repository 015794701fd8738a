import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import { NOW, TZID, assignment, at, day, event } from '../../../tests/support/plans';
import type { EntryId, PersonId } from '../ids';
import { momentText } from '../time/zonedWall';
import { changeLine } from './changeLine';
import type { Entry } from './entry';
import type { EntryFacts } from './facts';
import { mainMoment } from './entry';

const { description, audience, links, visibility, ...identity } = event();
const announcement: Entry = { description, audience, links, visibility, id: 'a1' as EntryId, uid: 'a', title: 'Bring a rule', tzid: TZID, sequence: 0, created: NOW, lastModified: NOW, kind: 'announcement', on: day('2026-10-13') }; // prettier-ignore
const note: Entry = { description, id: 'n1' as EntryId, uid: 'n', title: 'Battens', tzid: TZID, sequence: identity.sequence, created: NOW, lastModified: NOW, kind: 'note', on: day('2026-10-13'), author: 'maren' as PersonId }; // prettier-ignore
const days = event({ when: { kind: 'days', start: day('2026-10-13'), end: day('2026-10-16') } });

const textOf = (entry: EntryFacts) => {
  const end = entry.kind === 'event' ? entry.when.end : undefined;
  return `${entry.title} ${momentText(mainMoment(entry))}${end ? ` to ${momentText(end)}` : ''}`;
};
const on = (text: string) =>
  text.includes('T') ? Temporal.PlainDateTime.from(text) : Temporal.PlainDate.from(text);

test.each<[string, Entry, string, string]>([
  ['due work at another time', assignment(), '2026-10-16T09:00', 'New 2026-10-16T09:00'],
  ['due work on a day without a time', assignment(), '2026-10-16', 'New 2026-10-16'],
  ['a note that gets a time', note, '2026-10-14T08:00', 'New 2026-10-14T08:00'],
  ['an announcement on another day', announcement, '2026-10-14', 'New 2026-10-14'],
  ['an event stays as long as it was', event(), '2026-10-14T09:30', 'New 2026-10-14T09:30 to 2026-10-14T10:30'],
  ['an event without a time takes the day', event(), '2026-10-14', 'New 2026-10-14 to 2026-10-15'],
  ['days that get a time have no end', days, '2026-10-14T09:00', 'New 2026-10-14T09:00'],
  ['several days stay as many', days, '2026-11-02', 'New 2026-11-02 to 2026-11-05'],
  ['the same moment changes the title alone', event(), '2026-10-13T14:00', 'New 2026-10-13T14:00 to 2026-10-13T15:00'],
])('%s', (_, entry, to, expected) => expect(textOf(changeLine(entry, { title: 'New', on: on(to) }))).toBe(expected)); // prettier-ignore

test('a series, and an announcement with a time, are refused', () => {
  const series = event({ recurrence: { rrule: 'FREQ=WEEKLY', exdates: [], overrides: [] } });
  expect(() => changeLine(series, { title: 'New', on: on('2026-10-14') })).toThrow(RangeError);
  expect(() => changeLine(announcement, { title: 'New', on: on('2026-10-14T09:00') })).toThrow(RangeError);
});

test('work that followed a class no longer does once it has a time of its own', () => {
  const bound = assignment({ due: at('2026-10-15T10:00'), atClass: { due: { ordinal: 12, edge: 'start' } } });
  expect(changeLine(bound, { title: 'New', on: on('2026-10-15T10:00') })).toMatchObject({
    atClass: { due: {} },
  });
  expect(changeLine(bound, { title: 'New', on: on('2026-10-16T10:00') })).toMatchObject({
    atClass: undefined,
  });
});

import { describe, expect, test } from 'vitest';
import { HL, NOW, TZID, assignment, at, day, event, instant } from '../../../tests/support/plans';
import type { MaterialId, MeetingId } from '../ids';
import type { SeenMaterial } from '../materials/seenMaterials';
import { requireZone } from '../time/zoneData';
import { classDaysAround, daySheet, sheetDays, sheetLinks } from './daySheet';
import { joinWindow } from './joinWindow';
import type { Occurrence } from './occurrence';

const base = { uid: 'u', title: 'x', tzid: TZID, courses: [HL], release: 'shown' as const, asStaff: false };
const cls = (date: string, more: object = {}): Occurrence => ({ ...base, kind: 'class', edits: false, start: at(`${date}T10:00`), end: at(`${date}T11:50`), number: { ordinal: 1 }, meeting: date as MeetingId, course: HL, place: '', meetingLink: 'https://meet.example', links: [], ...more }); // prettier-ignore
const due = (on: string): Occurrence => ({ ...base, kind: 'due', entry: assignment().id, start: at(on), handIn: '', extended: false, variant: false, links: [] }); // prettier-ignore
const talk = (start: string, end?: string): Occurrence => ({ ...base, kind: 'event', entry: event().id, start: at(start), end: end ? at(end) : undefined, place: '', meetingLink: 'https://meet.example', meetingName: '', links: [], repeats: false }); // prettier-ignore

test('a day by parts, in the order in which they are read; another course’s is not there', () => {
  const other = cls('2026-10-13', { courses: ['other'], course: 'other' });
  const list = [
    due('2026-10-13T17:00'),
    talk('2026-10-13T09:00'),
    cls('2026-10-13'),
    other,
    cls('2026-10-14'),
  ];
  const parts = daySheet(list, day('2026-10-13'), HL).map(({ part, items }) => `${part} ${items.length}`);
  expect(parts).toEqual(['class 1', 'event 1', 'due 1']);
  expect(daySheet(list, day('2026-10-13'))[0]!.items.length).toBe(2);
});

test('the class days around a day pass over what was called off', () => {
  const list = [
    cls('2026-10-08'),
    cls('2026-10-12', { cancelled: '' }),
    cls('2026-10-13'),
    cls('2026-10-15'),
  ];
  expect(classDaysAround(list, day('2026-10-13'), HL)).toEqual({
    previous: '2026-10-08',
    next: '2026-10-15',
  });
  expect(classDaysAround(list, day('2026-10-15'), HL)).toEqual({ previous: '2026-10-13', next: undefined });
});

test('a unit lists what is in it, as far as it is seen', () => {
  const material = (id: string, more: Partial<SeenMaterial> = {}): SeenMaterial => ({ id: id as MaterialId, course: HL, position: 0, kind: 'webLink', title: id, url: `https://x.example/${id}`, text: '', sequence: 0, created: NOW, lastModified: NOW, hidden: false, ...more }); // prettier-ignore
  const unit = material('unit', { kind: 'unit', url: '' });
  const inner = material('inner', { kind: 'unit', url: '', parent: unit.id, position: 1 });
  const all = [unit, inner, material('a', { parent: unit.id }), material('b', { parent: inner.id })];
  const [link, plain] = sheetLinks([{ url: '/m/unit', label: 'Unit', staffOnly: false, material: unit.id }, { url: 'https://y.example', label: '', staffOnly: false }], all); // prettier-ignore
  expect(link!.items.map((item) => `${item.depth} ${item.url}`)).toEqual(['0 https://x.example/a', '0 /m/inner', '1 https://x.example/b']); // prettier-ignore
  expect(plain!.items).toEqual([]);
});

describe('the days of an address', () => {
  test.each([
    ['2026-10-13', 1],
    ['2026-10-12..2026-10-14', 3],
    ['2026-10-01..2026-10-31', 31],
  ])('%s', (text, count) => expect(sheetDays(text)!.length).toBe(count));
  test.each([
    '',
    '2026-02-30',
    '2026-10-14..2026-10-12',
    '2026-10-01..2026-11-01',
    '2026-10-01..2026-10-02..2026-10-03',
    '1900-01-01',
    '13 Oct',
    '2026-10-13..',
  ])(
    // prettier-ignore
    '%s names none',
    (text) => expect(sheetDays(text)).toBeUndefined(),
  );
});

describe('one can join from a quarter of an hour before to the end', () => {
  const when = (o: Occurrence, now: string) => {
    const joining = joinWindow(o, instant(now), requireZone);
    return joining.state === 'later' ? `later ${joining.from.toString().slice(0, 5)}` : joining.state;
  };
  test.each([
    ['long before', cls('2026-10-13'), '2026-10-13T09:44', 'later 09:45'],
    ['shortly before', cls('2026-10-13'), '2026-10-13T09:45', 'now'],
    ['while it is', cls('2026-10-13'), '2026-10-13T11:49', 'now'],
    ['when it is over', cls('2026-10-13'), '2026-10-13T11:50', 'over'],
    ['without an end, two hours', talk('2026-10-13T10:00'), '2026-10-13T11:59', 'now'],
    ['and no longer', talk('2026-10-13T10:00'), '2026-10-13T12:00', 'over'],
    ['what was called off, never', cls('2026-10-13', { cancelled: '' }), '2026-10-13T10:00', 'over'],
  ])('%s', (_, o, now, state) => expect(when(o, now)).toBe(state));
});

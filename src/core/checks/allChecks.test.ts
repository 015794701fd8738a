import { Temporal } from 'temporal-polyfill';
import { expect, describe, test } from 'vitest';
import {
  HL,
  IVO,
  NOW,
  NV,
  ODA,
  SECTION_A,
  assignment,
  at,
  course,
  day,
  event,
  instant,
  meeting,
  navigation,
  term,
} from '../../../tests/support/plans';
import type { AssignmentEntry, EventEntry, SharedEntry } from '../entries/entry';
import type {
  CalendarId,
  ClassPlanId,
  ClosureId,
  CourseId,
  EntryId,
  MeetingId,
  OutletId,
  SectionId,
} from '../ids';
import type { LinkTest } from '../links/linkTest';
import type { ClassPlan } from '../plan/classPlan';
import type { SeenClass } from '../plan/seenPlan';
import { requireZone } from '../time/zoneData';
import { CHECKS, findAll } from './allChecks';
import type { CheckInput, CheckedCalendar, CheckedEntry, CheckedOutlet, Enrolled } from './check';
import { fingerprint, findingKey } from './check';
import { checkedPeople } from './checkedPeople';

const SECTION_B = 'b' as SectionId;
const hull = course({ sections: [SECTION_A, SECTION_B].map((id) => ({ id, name: id.toUpperCase(), students: 1, patterns: [], meetings: [meeting()] })) }); // prettier-ignore
const courses = [hull, navigation()];
/** Ivo is in section A of HL and in NV, Oda in section B of HL. */
const enrolled: readonly Enrolled[] = [
  { course: HL, person: IVO, section: SECTION_A, groups: [] },
  { course: HL, person: ODA, section: SECTION_B, groups: [] },
  { course: NV, person: IVO, groups: [] },
];
const closure = { id: 'c' as ClosureId, term: term.id, name: 'Storm', start: day('2026-10-20'), end: day('2026-10-21'), created: NOW }; // prettier-ignore
const checked = (entry: SharedEntry, more: Partial<CheckedEntry> = {}): CheckedEntry =>
  ({ ...entry, release: 'shown', asStaff: true, whole: true, ...more }) as CheckedEntry;
const work = (changes: Partial<AssignmentEntry> = {}, more: Partial<CheckedEntry> = {}) => checked(assignment({ setOn: undefined, due: at('2026-10-22T17:00'), ...changes }), more); // prettier-ignore
const show = (changes: Partial<EventEntry> = {}) => checked(event({ when: hours('2026-10-22T14:00', '2026-10-22T15:00'), ...changes })); // prettier-ignore
const hours = (start: string, end?: string): EventEntry['when'] => ({ kind: 'timed', start: at(start), ...(end ? { end: at(end) } : {}) }); // prettier-ignore
const days = (start: string, end: string): EventEntry['when'] => ({
  kind: 'days',
  start: day(start),
  end: day(end),
});
const other = (entry: CheckedEntry, changes: Partial<CheckedEntry> = {}) => ({ ...entry, id: 'e2' as EntryId, title: 'Other', ...changes }) as CheckedEntry; // prettier-ignore
const from = (text: string) => ({ kind: 'from' as const, from: at(text), at: instant(text) });
const plan: ClassPlan = { id: 'p' as ClassPlanId, course: HL, title: 'Bevels', description: '', links: [], pinned: false, bindings: [], sequence: 0, created: NOW, lastModified: NOW }; // prettier-ignore
const cls = (date: string, more: Partial<SeenClass> = {}): SeenClass => ({ course: hull, section: hull.sections[0]!, meeting: meeting({ id: date as MeetingId, date: day(date) }), place: '', asStaff: true, edits: true, ...more }); // prettier-ignore
const inNav = (start: string, place: string) => cls('2026-10-13', { plan, place, course: navigation(), meeting: meeting({ id: start as MeetingId, date: day('2026-10-13'), start: Temporal.PlainTime.from(start), end: Temporal.PlainTime.from(start).add({ minutes: 50 }) }) }); // prettier-ignore

const inShed = (start: string) => ({ place: 'shed 2', code: 'BT 110', date: day('2026-10-13'), start: Temporal.PlainTime.from(start), end: Temporal.PlainTime.from(start).add({ minutes: 50 }) }); // prettier-ignore

const outlet = (changes: Partial<CheckedOutlet> = {}): CheckedOutlet => ({ id: 'o' as OutletId, name: 'Hull lofting', audience: 'public', courses: [HL, NV], sections: [], holds: 3, lacks: [], added: [], generation: 1, ...changes }); // prettier-ignore
const calendar = (hours: number): CheckedCalendar => ({ id: 'k' as CalendarId, name: 'District', courses: [HL], failingSince: NOW.subtract({ hours }), saysClosed: [] }); // prettier-ignore

const input = (entries: readonly CheckedEntry[], more: Partial<CheckInput> = {}): CheckInput => ({
  term, courses, closures: [closure], entries, classes: [], taken: [], peopleOf: checkedPeople(enrolled), linkTests: new Map(), files: new Map(), today: day('2026-10-13'), now: NOW, outlets: [outlet()], calendars: [], zoneOf: requireZone, locale: 'en-GB', ...more,
}); // prettier-ignore
const board = { url: 'https://x.example/b', label: '', staffOnly: false };
const talk = { url: '/f/1', label: 'The talk', staffOnly: false };
const captions = { url: '/f/2', label: 'Captions', staffOnly: false };
const recording = { files: new Map([[talk.url, { name: 'talk.mp3', mediaType: 'audio/mpeg' }], [captions.url, { name: 'talk.vtt', mediaType: 'text/vtt' }]]) }; // prettier-ignore
const written = { url: '/f/3', label: 'In writing', staffOnly: false };
const withWords = { files: new Map([...recording.files, [written.url, { name: 'Talk.pdf', mediaType: 'application/pdf' }]]) }; // prettier-ignore
const answered = (test: Partial<LinkTest>) => ({ linkTests: new Map([[board.url, { url: board.url, state: 'opens', reason: '', milliseconds: 1, testedAt: NOW, ...test } as LinkTest]]) }); // prettier-ignore
const found = (given: CheckInput) => findAll(given).map((f) => f.check);
const forB = [{ course: HL, sections: [SECTION_B] }];
const forNV = [{ course: NV }];

/** One plan that a check finds something in, and one that nearly is one. */
const TABLE: readonly (readonly [check: string, found: CheckInput, nearMiss: CheckInput])[] = [
  ['dueAtMidnight', input([work({ due: at('2026-10-22T00:00') })]), input([work({ due: at('2026-10-22T23:59') })])],
  ['onClosure', input([work({ due: at('2026-10-20T17:00') })]), input([work({ due: at('2026-10-21T00:01') })])],
  ['onWeekend', input([work({ due: at('2026-10-24T17:00') })]), input([work({ due: at('2026-10-24T17:00') })], { classes: [cls('2026-10-17', { plan })] })],
  ['outsideTerm', input([work({ due: day('2026-12-21') })]), input([work({ due: day('2026-12-18') })])],
  ['endsBeforeStart', input([show({ when: hours('2026-10-22T14:00', '2026-10-22T14:00') })]), input([show({ when: hours('2026-10-22T14:00', '2026-10-22T14:01') })])],
  ['pastMidnight', input([show({ when: hours('2026-10-22T10:00', '2026-10-23T12:00') })]), input([show({ when: hours('2026-10-22T10:00', '2026-10-23T00:00') })])],
  ['dueOutsideWindow', input([work({ closes: day('2026-10-21') })]), input([work({ closes: day('2026-10-22') })])],
  ['shownTooLate', input([work({ visibility: from('2026-10-22T17:01') })]), input([work({ visibility: from('2026-10-22T17:00') })])],
  ['setAfterDue', input([work({ setOn: day('2026-10-23') })]), input([work({ setOn: day('2026-10-22') })])],
  ['extendedEarlier', input([work({ extensions: [{ person: IVO, name: '', due: at('2026-10-21T17:00') }] })]), input([work({ extensions: [{ person: IVO, name: '', due: at('2026-10-23T17:00') }] })])],
  ['hiddenSoon', input([work({ due: day('2026-10-20').subtract({ days: 1 }) }, { release: 'draft' })]), input([work({ due: day('2026-10-21') }, { release: 'draft' })])],
  ['twoExams', input([show({ title: 'Midterm' }), other(show({ when: hours('2026-10-22T09:00', '2026-10-22T10:00'), audience: forNV }), { title: 'Examination' })]), input([show({ title: 'Midterm', audience: forB }), other(show({ when: hours('2026-10-22T09:00', '2026-10-22T10:00'), audience: forNV }), { title: 'Examination' })])],
  ['severalDue', input([work(), other(work({ due: at('2026-10-22T09:00'), audience: forNV }))]), input([work(), other(work({ due: at('2026-10-23T09:00'), audience: forNV }))])],
  ['overlap', input([show(), other(show({ when: hours('2026-10-22T14:30', '2026-10-22T16:00') }))]), input([show(), other(show({ when: hours('2026-10-22T15:00', '2026-10-22T16:00') }))])],
  ['duringClass', input([show({ when: hours('2026-10-13T11:00', '2026-10-13T12:00') })], { classes: [cls('2026-10-13', { plan })] }), input([show({ when: hours('2026-10-13T11:50', '2026-10-13T12:50') })], { classes: [cls('2026-10-13', { plan })] })],
  ['wrongCourse', input([show({ title: 'NV chart quiz' })]), input([show({ title: 'HL meets NV' })])],
  ['sameTitle', input([work(), other(work({ due: at('2026-10-23T17:00'), audience: forB }), { title: 'body plan ', audience: [{ course: HL }] })]), input([work(), other(work({ due: at('2026-10-30T17:00') }), { title: 'Body plan' })])],
  ['dateInText', input([work({ description: '<p>Due Friday 16 October.</p>' })]), input([work({ description: '<p>Due Thursday 22 October.</p>' })])],
  ['clocksChange', input([show({ when: hours('2026-11-01T01:30') })], { classes: [cls('2026-11-01', { plan })] }), input([show({ when: hours('2026-11-01T02:00') })], { classes: [cls('2026-11-01', { plan })] })],
  // The same room, under the eyes of one instructor; half an hour apart it is free.
  ['roomClash', input([], { classes: [cls('2026-10-13', { plan, place: 'Shed 2' }), inNav('11:00', 'shed 2')] }), input([], { classes: [cls('2026-10-13', { plan, place: 'Shed 2' }), inNav('12:00', 'Shed 2')] })],
  ['noPlan', input([], { classes: [cls('2026-10-20'), cls('2026-10-13', { plan })] }), input([], { classes: [cls('2026-10-21'), cls('2026-10-13', { plan })] })],
  ['noSuchClass', input([work({ atClass: { due: { ordinal: 40, edge: 'start' } } })]), input([work({ atClass: { due: { ordinal: 11, edge: 'start' } } })])],
  ['linkFails', input([work({ links: [board] })], answered({ state: 'fails', status: 404 })), input([work({ links: [board] })], answered({ state: 'signIn', status: 401 }))],
  ['linkMoved', input([], { ...answered({ state: 'moved' }), classes: [cls('2026-10-20', { plan: { ...plan, links: [board] } })] }), input([work({ links: [board] })], answered({ state: 'opens' }))],
  ['outletLacks', input([], { outlets: [outlet({ lacks: ['class'] })] }), input([], { outlets: [outlet({ holds: 0, lacks: ['class'] })] })],
  ['filesAdded', input([], { outlets: [outlet({ added: ['Offsets.pdf'] })] }), input([], { outlets: [outlet({ added: ['Offsets.pdf'], audience: 'roster' })] })],
  ['linkName', input([work({ description: '<p>The board is <a href="https://x.example/b">here</a>.</p>' })]), input([work({ description: '<p>See <a href="https://x.example/b">the board</a>.</p>', links: [{ ...board, label: 'Board' }] })])],
  ['headingOrder', input([work({ description: '<h4>Tools</h4><h3>Wood</h3>' })]), input([work({ description: '<h3>Wood</h3><h4>Tools</h4>' })])],
  ['noCaptions', input([], { ...recording, classes: [cls('2026-10-20', { plan: { ...plan, links: [talk] } })] }), input([work({ links: [talk, captions] })], recording)],
  ['outletEmpty', input([], { outlets: [outlet({ holds: 0 })] }), input([], { outlets: [outlet({ holds: 1 })] })],
  ['outletOver', input([], { outlets: [outlet({ courses: ['gone' as CourseId] })] }), input([], { outlets: [outlet({ courses: ['gone' as CourseId, HL] })] })],
  ['sectionsPublic', input([work({ audience: forB })], { outlets: [outlet({ sections: [SECTION_B] })] }), input([work({ audience: forB })], { outlets: [outlet({ sections: [SECTION_B], audience: 'roster' })] })],
  ['courseUnpublished', input([work()], { outlets: [outlet({ courses: [NV] })] }), input([], { outlets: [outlet({ courses: [NV] })] })],
  ['outsideCloses', input([], { calendars: [{ ...calendar(1), saysClosed: [{ day: day('2026-10-22'), title: 'No school: storm' }] }], classes: [cls('2026-10-22')] }), input([], { calendars: [{ ...calendar(1), saysClosed: [{ day: day('2026-10-20'), title: 'No school: storm' }, { day: day('2026-10-23'), title: 'No school' }] }], classes: [cls('2026-10-20'), cls('2026-10-22')] })],
  ['calendarFails', input([], { calendars: [calendar(24)] }), input([], { calendars: [calendar(23)] })],
]; // prettier-ignore

test('a recording whose words are in a document of its name has what others hear', () => {
  const found = (links: AssignmentEntry['links']) =>
    findAll(input([work({ links })], withWords)).filter(({ check }) => check === 'noCaptions').length;
  expect([found([talk, written]), found([talk, { ...written, staffOnly: true }]), found([talk])]).toEqual([0, 1, 1]);
}); // prettier-ignore

test('three hundred events at one time are one finding for their day, and few stay one for each pair', () => {
  const many = (n: number) =>
    Array.from({ length: n }, (_, i) => ({ ...show(), id: `e${i}` as EntryId }) as CheckedEntry);
  const overlapping = (n: number) => findAll(input(many(n))).filter(({ check }) => check === 'overlap');
  expect(overlapping(3)).toHaveLength(3);
  expect(overlapping(300).map(({ why }) => why)).toEqual([
    'Of the 300 events of this day, more than three pairs are at the same time for the same students, this one among them.',
  ]);
});

test('of an entry that is being written every pair is said, and names the other', () => {
  const others = Array.from({ length: 6 }, (_, i) => ({ ...show(), id: `e${i}` as EntryId, title: `Other ${i}` }) as CheckedEntry); // prettier-ignore
  const written = { ...show(), id: 'w' as EntryId, title: 'Written' } as CheckedEntry;
  const found = findAll({ ...input([...others, written]), written }).filter(({ check }) => check === 'overlap'); // prettier-ignore
  expect(found.map(({ other: second }) => second!.title)).toEqual(others.map(({ title }) => title));
  expect(found.every(({ about, why }) => 'entry' in about && about.entry === written && !why.includes('Written'))).toBe(true); // prettier-ignore
});

describe('each check finds its own, and lets the near miss be', () => {
  test.each(TABLE)('%s', (check, finds, nearMiss) => {
    expect(found(finds)).toContain(check);
    expect(found(nearMiss)).not.toContain(check);
  });

  test('a room that a colleague’s class has at the time is found, and free half an hour later', () => {
    const given = (start: string) => input([], { classes: [cls('2026-10-13', { plan, place: 'Shed 2' })], taken: [inShed(start)] }); // prettier-ignore
    expect(findAll(given('11:00')).map(({ check, why }) => [check, why])).toEqual([['roomClash', expect.stringContaining('BT 110') as string]]); // prettier-ignore
    expect(found(given('12:00'))).toEqual([]);
  });

  test('every check stands in the table', () => {
    expect(TABLE.map(([check]) => check).sort()).toEqual(CHECKS.map((check) => check.id).sort());
  });

  test('a plain plan gives nothing to look at', () => {
    const plain = [
      work({ setOn: day('2026-10-15'), opens: day('2026-10-15'), closes: day('2026-10-23') }),
      show(),
    ];
    expect(found(input(plain, { classes: [cls('2026-10-15', { plan })] }))).toEqual([]);
  });
});

describe('near misses of more than one kind', () => {
  test.each<[string, CheckInput]>([
    ['what is over', input([work({ due: at('2026-10-11T00:00') })])],
    ['what was called off', input([work({ due: at('2026-10-20T00:00'), cancelled: '' })])],
    ['days that begin before a closure', input([show({ when: days('2026-10-22', '2026-10-24') })])],
    ['a closure of another course', input([work({ due: at('2026-10-20T17:00') })], { closures: [{ ...closure, course: NV }] })],
    ['an examination that takes the whole class', input([show({ when: hours('2026-10-13T10:00', '2026-10-13T11:50') })], { classes: [cls('2026-10-13', { plan })] })],
    ['an event for the other section during a class', input([show({ when: hours('2026-10-13T11:00', '2026-10-13T12:00'), audience: forB })], { classes: [cls('2026-10-13', { plan })] })],
    ['two due items for sections that share nobody', input([work({ audience: forB }), other(work({ audience: forNV }))])],
    ['a class that was called off needs no plan', input([], { classes: [cls('2026-10-15', { meeting: meeting({ date: day('2026-10-15'), cancelled: 'ill' }) }), cls('2026-10-13', { plan })] })],
    ['a course that plans no classes at all', input([], { classes: [cls('2026-10-15')] })],
    ['the set day in the text', input([work({ setOn: day('2026-10-15'), description: '<p>Given out on 15 October.</p>' })])],
  ])('%s', (_, given) => expect(found(given)).toEqual([])); // prettier-ignore
});

describe('what puts it right', () => {
  const remedy = (given: CheckInput) => findAll(given)[0]!.remedy;
  test.each<[string, CheckInput, object]>([
    ['due at midnight', input([work({ due: at('2026-10-22T00:00') })]), { act: 'line', on: '2026-10-21T23:59' }],
    ['on a closure', input([work({ due: at('2026-10-20T17:00') })]), { act: 'shift', days: 1 }],
    ['on a Saturday', input([work({ due: at('2026-10-24T17:00') })]), { act: 'shift', days: 2 }],
    ['26 hours', input([show({ when: hours('2026-10-22T10:00', '2026-10-23T12:00') })]), { act: 'place', start: '2026-10-22T10:00', end: '2026-10-22T12:00' }],
    ['past midnight', input([show({ when: hours('2026-10-22T22:00', '2026-10-23T01:00') })]), { act: 'open' }],
    ['closes too early', input([work({ closes: day('2026-10-20') })]), { act: 'dates', field: 'closes', days: 2 }],
    ['set after due', input([work({ setOn: day('2026-10-23') })]), { act: 'dates', field: 'setOn', days: -8 }],
    ['another date in the text', input([work({ description: '<p>Due 16 October</p>' })]), { act: 'shift', days: -6 }],
    ['a time shown twice', input([show({ when: hours('2026-11-01T01:30') })], { classes: [cls('2026-11-01', { plan })] }), { act: 'line', on: '2026-11-01T02:30' }],
  ])('%s', (_, given, expected) => expect(remedy(given)).toMatchObject(expected)); // prettier-ignore
});

test('a finding is known again until what it is about changes', () => {
  const [before] = findAll(input([work({ due: at('2026-10-20T17:00') })]));
  const [after] = findAll(input([work({ due: at('2026-10-20T18:00'), sequence: 1 })]));
  expect(findingKey(before!)).toBe(findingKey(after!));
  expect(fingerprint(before!)).not.toBe(fingerprint(after!));
});

import { describe, expect, test } from 'vitest';
import {
  HL,
  MAREN,
  NOW,
  SECTION_A,
  TZID,
  at,
  course,
  day,
  event,
  meeting,
  time,
} from '../../../tests/support/plans';
import type { EntryId } from '../ids';
import { requireZone } from '../time/zoneData';
import { momentText } from '../time/zonedWall';
import { derived } from './derive';
import type { Entry } from './entry';
import type { DatedInput } from './factsFromInput';
import { dateErrors, datedInput, factsFromInput } from './factsFromInput';
import type { EntryInputJson } from './entryInput';
import { entryInput } from './entryInput';

const zone = requireZone(TZID);
const COURSE = '11111111-1111-4111-8111-111111111111';
const OTHER = '33333333-3333-4333-8333-333333333333';
const identity = { id: 'e1' as EntryId, uid: 'uid-e1', author: MAREN };
const stamps = { sequence: 0, created: NOW, lastModified: NOW };
const read = (input: object) =>
  entryInput.parse({ audience: [{ course: COURSE }], ...input } as EntryInputJson);
const work = (changes: object) => read({ kind: 'assignment', title: 'Body plan', ...changes }) as DatedInput;
const happening = (changes: object) => read({ kind: 'event', title: 'Rope walk', ...changes }) as DatedInput;
const made = (input: DatedInput, before?: Entry) =>
  derived(factsFromInput(input, identity, zone, before), [], stamps);

describe('how the dates of work must lie', () => {
  test.each([
    ['set after it is due', { setOn: '2026-10-16', due: '2026-10-15T17:00' }, 'setOn: It is set after it is due. Choose an earlier day.'],
    ['opens after it is due', { opens: '2026-10-15T18:00', due: '2026-10-15T17:00' }, 'opens: It opens after it is due. Choose an earlier time.'],
    ['closes before it is due', { due: '2026-10-15T17:00', closes: '2026-10-14' }, 'closes: It closes before it is due. Choose a later time.'],
    ['ends before it starts', { start: '2026-10-15T17:00', end: '2026-10-15T16:00' }, 'end: It ends before it starts. Choose a later end.'],
    ['ends as it starts', { start: '2026-10-15', end: '2026-10-15' }, 'end: It ends before it starts. Choose a later end.'],
    ['ends on a day, and starts at a time', { start: '2026-10-15T17:00', end: '2026-10-16' }, 'end: Give both with a time, or both as days.'],
  ])('%s', (_, dates, sentence) => {
    const input = 'due' in dates ? work(dates) : happening(dates);
    expect(dateErrors(input).map(({ field, message }) => `${field}: ${message}`)).toEqual([sentence]);
  }); // prettier-ignore
  test.each([
    ['set, opened, due and closed on one day', { setOn: '2026-10-15', opens: '2026-10-15', due: '2026-10-15', closes: '2026-10-15' }],
    ['closed on the day it is due at a time', { due: '2026-10-15T17:00', closes: '2026-10-15' }],
    ['with a due date alone', { due: '2026-10-15' }],
  ])('%s is fine', (_, dates) => expect(dateErrors(work(dates))).toEqual([])); // prettier-ignore
});

describe('dates that follow classes', () => {
  const courses = [
    course({ sections: [{ id: SECTION_A, name: 'A', students: 20, patterns: [], meetings: [meeting({ ordinal: 12, date: day('2026-10-20'), start: time('10:00'), end: time('11:00') })] }] }),
  ]; // prettier-ignore
  const input = (atClass: object, more: object = {}) =>
    ({ ...work({ due: '2026-12-01', atClass, ...more }), audience: [{ course: HL }] }) as DatedInput;
  test('are filled in from the class: its start, its end, its day', () => {
    const dated = datedInput(
      input({ setOn: { ordinal: 12 }, due: { ordinal: 12, edge: 'end' } }),
      courses,
      TZID,
    );
    expect(
      dated.ok && dated.input.kind === 'assignment' && [dated.input.setOn, dated.input.due].map(String),
    ).toEqual(['2026-10-20', '2026-10-20T11:00:00']);
  });
  test('name the class that is not there', () =>
    expect(datedInput(input({ due: { ordinal: 13 } }), courses, TZID)).toEqual({
      ok: false,
      errors: [{ field: 'atClass.due', message: 'There is no class 13 in these courses.' }],
    }));
  test('leave what is no assignment as it is', () => {
    const plain = happening({ start: '2026-10-15' });
    expect(datedInput(plain, courses, TZID)).toEqual({ ok: true, input: plain });
  });
});

describe('an entry is made', () => {
  test('with one day where no end is given, and open at its end where it has a time', () => {
    const when = (start: string) => (made(happening({ start })) as Extract<Entry, { kind: 'event' }>).when;
    expect(when('2026-10-15')).toEqual({ kind: 'days', start: day('2026-10-15'), end: day('2026-10-16') });
    expect(when('2026-10-15T14:00')).toEqual({
      kind: 'timed',
      start: at('2026-10-15T14:00'),
      end: undefined,
    });
  });
  test('with its audience in one order, however it was chosen', () => {
    const audience = [{ course: OTHER }, { course: COURSE }];
    const entry = made(happening({ start: '2026-10-15', audience })) as Extract<Entry, { kind: 'event' }>;
    expect(entry.audience.map((part) => part.course)).toEqual([COURSE, OTHER]);
  });
  test('with text that cannot run', () =>
    expect(made(happening({ start: '2026-10-15', description: '<p onclick="x()">Bring <b>rope</b><script>x()</script></p>' })).description).not.toMatch(/onclick|script/)); // prettier-ignore
  test('shown from the beginning of the day so many days before, in the zone, also when clocks change', () => {
    // Clocks go back on 1 November 2026 in Halifax: midnight is at 03:00 UTC before, at 04:00 after.
    const shown = (due: string) => {
      const entry = made(work({ due, visibility: { kind: 'before', days: 7 } }));
      return entry.kind === 'assignment' && 'at' in entry.visibility && entry.visibility.at.toString();
    };
    expect(shown('2026-11-05T17:00')).toBe('2026-10-29T03:00:00Z');
    expect(shown('2026-11-12T17:00')).toBe('2026-11-05T04:00:00Z');
  });
  test('a series begins on the first day that its own rule names, and keeps its length', () => {
    const input = happening({ start: '2026-10-12T16:00', end: '2026-10-12T17:30', rrule: 'FREQ=WEEKLY;BYDAY=TH;COUNT=3' });
    const entry = made(input) as Extract<Entry, { kind: 'event' }>;
    expect(entry.when.kind === 'timed' && [entry.when.start, entry.when.end!].map(momentText)).toEqual([
      '2026-10-15T16:00',
      '2026-10-15T17:30',
    ]);
  }); // prettier-ignore
  test('by its author, about what a note hangs on; both stay when it is changed', () => {
    const note = (about?: string) => read({ kind: 'note', title: 'Bring the splines', on: '2026-10-15', ...(about ? { about } : {}) }) as DatedInput; // prettier-ignore
    const first = made(note(COURSE));
    expect(first).toMatchObject({ author: MAREN, about: COURSE });
    expect(made(note(), first)).toMatchObject({ about: COURSE });
    expect(made(note())).not.toHaveProperty('about');
  });
});

describe('what the input does not carry stays', () => {
  const input = happening({ start: '2026-10-13T14:00', coming: { seats: 12 }, rrule: 'FREQ=WEEKLY;COUNT=4' });
  const before = event({
    cancelled: 'Storm',
    sourceUid: 'outside-1',
    coming: { seats: 10, replies: [{ person: MAREN, answer: 'coming', at: NOW }] },
    recurrence: { rrule: 'FREQ=WEEKLY;COUNT=2', exdates: [at('2026-10-20T14:00')], overrides: [] },
  } as never);
  test('replies, skipped occurrences, where it came from, that it is cancelled', () =>
    expect(made(input, before)).toMatchObject({
      cancelled: 'Storm',
      sourceUid: 'outside-1',
      coming: { seats: 12, replies: [{ person: MAREN }] },
      recurrence: { rrule: 'FREQ=WEEKLY;COUNT=4', exdates: [at('2026-10-20T14:00')] },
    }));
  test('but not what is taken away', () => {
    const plain = made(happening({ start: '2026-10-13T14:00' }), before);
    expect(plain).not.toHaveProperty('coming');
    expect(plain).not.toHaveProperty('recurrence');
  });
  test('sections that a slide moved keep their class while its number stays', () => {
    const following = work({ due: '2026-10-20', atClass: { due: { ordinal: 12 }, closes: { ordinal: 14 } } });
    const slid = { ...made(following), atClass: { due: { ordinal: 12, edge: 'start', sections: { [SECTION_A]: 13 } }, closes: { ordinal: 15, edge: 'start', sections: { [SECTION_A]: 16 } } } } as Entry; // prettier-ignore
    expect(made(following, slid)).toMatchObject({
      atClass: { due: { ordinal: 12, edge: 'start', sections: { [SECTION_A]: 13 } }, closes: { ordinal: 14, edge: 'start' } },
    }); // prettier-ignore
    expect((made(following, slid) as { atClass: { closes: object } }).atClass.closes).not.toHaveProperty(
      'sections',
    );
  });
});

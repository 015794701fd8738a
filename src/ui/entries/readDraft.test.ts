import { expect, test } from 'vitest';
import type { EntryDraft } from './entryDraft';
import { emptyDraft } from './entryDraft';
import { readDraft } from './readDraft';

const HL = '11111111-1111-4111-8111-111111111111';
const draft = (changes: Partial<EntryDraft>): EntryDraft => ({
  ...emptyDraft('2026-10-15', HL),
  title: 'Fairing',
  ...changes,
});
const read = (changes: Partial<EntryDraft>) => {
  const reading = readDraft(draft(changes));
  return reading.ok ? reading.input : reading.errors;
};

test('an event keeps its day at both ends', () => {
  expect(read({ starts: '10', ends: '11:30' })).toMatchObject({
    start: '2026-10-15T10:00',
    end: '2026-10-15T11:30',
  });
});

test('an event may have no end', () => {
  expect(read({ starts: '10a' })).toMatchObject({ start: '2026-10-15T10:00', end: undefined });
});

test('a bare hour after the start is settled by it; alone it is asked', () => {
  expect(read({ starts: '12', ends: '2' })).toMatchObject({ end: '2026-10-15T14:00' });
  const reading = readDraft(draft({ starts: '2' }));
  expect(reading).toMatchObject({
    ok: false,
    questions: [{ field: 'starts', readings: ['14:00', '02:00'] }],
  });
});

test('whole days end on the day after the last one', () => {
  expect(read({ allDay: true, lastDay: '2026-10-16' })).toMatchObject({
    start: '2026-10-15',
    end: '2026-10-17',
  });
  expect(read({ allDay: true })).toMatchObject({ start: '2026-10-15', end: '2026-10-16' });
});

test('times over night and over several days end on their last day', () => {
  expect(read({ starts: '16', ends: '12', lastDay: '2026-10-18' })).toMatchObject({
    start: '2026-10-15T16:00',
    end: '2026-10-18T12:00',
  });
  expect(read({ starts: '22', ends: '02:00', lastDay: '2026-10-16' })).toMatchObject({
    end: '2026-10-16T02:00',
  });
});

test('an assignment has a due time or a due day, and the day it is set', () => {
  expect(read({ kind: 'assignment', dueTime: '5p', setOn: '2026-10-08' })).toMatchObject({
    due: '2026-10-15T17:00',
    setOn: '2026-10-08',
  });
  expect(read({ kind: 'assignment' })).toMatchObject({ due: '2026-10-15', setOn: undefined });
});

test.each([
  [{ title: ' ', starts: '10' }, 'title'],
  [{ starts: '10', ends: '9' }, 'ends'],
  [{ starts: '10', lastDay: '2026-10-16' }, 'ends'],
  [{ starts: '10', ends: '11', lastDay: '2026-10-14' }, 'lastDay'],
  [{ starts: 'soon' }, 'starts'],
  [{ starts: '10', day: '' }, 'day'],
  [{ allDay: true, lastDay: '2026-10-14' }, 'lastDay'],
  [{ kind: 'assignment', setOn: '2026-10-16' }, 'setOn'],
  [{ starts: '10', courses: {} }, 'courses'],
  [{ starts: '10', links: [{ url: 'javascript:alert(1)', label: '', staffOnly: false }] }, 'links.0.url'],
  [{ starts: '10', visibility: 'from', fromDay: '' }, 'fromDay'],
] as [Partial<EntryDraft>, string][])('%j names the field %s', (changes, field) => {
  expect(Object.keys(read(changes))).toEqual([field]);
});

test('sections narrow the audience; none ticked is everyone', () => {
  expect(
    read({ starts: '10', courses: { [HL]: { sections: ['a'], groups: [], people: [] } } }),
  ).toMatchObject({
    audience: [{ course: HL, sections: ['a'] }],
  });
  expect(read({ starts: '10' })).toMatchObject({ audience: [{ course: HL }] });
});

test.each([
  [{ kind: 'weeks', weekdays: [2, 4] }, 'FREQ=WEEKLY;BYDAY=TU,TH;UNTIL=20261218'],
  [{ kind: 'weeks', every: '2', ends: 'count', count: '4' }, 'FREQ=WEEKLY;INTERVAL=2;BYDAY=TH;COUNT=4'],
  [{ kind: 'monthWeekday', ends: 'date', until: '2026-12-31' }, 'FREQ=MONTHLY;BYDAY=3TH;UNTIL=20261231'],
  [{ kind: 'own', rrule: 'FREQ=YEARLY;COUNT=2' }, 'FREQ=YEARLY;COUNT=2'],
  [{}, undefined],
] as [Partial<EntryDraft['repeat']>, string | undefined][])(
  'repeating %j is the rule %s',
  (repeat, rrule) => {
    const given = draft({ starts: '10', repeat: { ...emptyDraft('', undefined).repeat, ...repeat } });
    expect(readDraft(given, { termEnds: '2026-12-18' })).toMatchObject({ ok: true, input: { rrule } });
  },
);

test('a note has no audience; effort and points are read as numbers', () => {
  expect(read({ kind: 'note', starts: '11' })).toEqual({
    kind: 'note',
    title: 'Fairing',
    description: '',
    on: '2026-10-15T11:00',
  });
  expect(read({ kind: 'assignment', effortHours: '1,5', points: '20' })).toMatchObject({
    effortMinutes: 90,
    points: 20,
  });
  expect(read({ kind: 'assignment', points: 'many' })).toEqual({ points: 'Type a number.' });
});

test('an event without any time takes the whole day', () =>
  expect(read({})).toMatchObject({ start: '2026-10-15', end: '2026-10-16' }));

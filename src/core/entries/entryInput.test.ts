import { describe, expect, test } from 'vitest';
import { entryInput } from './entryInput';

const COURSE = '11111111-1111-4111-8111-111111111111';
const STUDENT = '22222222-2222-4222-8222-222222222222';
const audience = [{ course: COURSE }];
const event = (changes: object = {}) => ({
  kind: 'event', title: 'Rope walk', start: '2026-10-13T14:00', audience, ...changes,
}); // prettier-ignore
const work = (changes: object = {}) => ({
  kind: 'assignment', title: 'Body plan', due: '2026-10-15T17:00', audience, ...changes,
}); // prettier-ignore

/** The fields that are refused, each with its sentence. */
const refusals = (input: unknown) => {
  const read = entryInput.safeParse(input);
  return read.success ? [] : read.error.issues.map(({ path, message }) => `${path.join('.')}: ${message}`);
};

test('what is left out has a plain value', () => {
  expect(entryInput.parse(event())).toMatchObject({
    description: '', links: [], visibility: { kind: 'visible' }, place: '', meetingLink: '', meetingText: '',
  }); // prettier-ignore
  expect(entryInput.parse(work())).toMatchObject({ handIn: '', latePolicy: '', extensions: [] });
});

test('times arrive as wall times, days as days', () => {
  const timed = entryInput.parse(event());
  const allDay = entryInput.parse(event({ start: '2026-10-13' }));
  expect([timed, allDay].map((e) => e.kind === 'event' && String(e.start))).toEqual([
    '2026-10-13T14:00:00',
    '2026-10-13',
  ]);
});

describe('what is refused is named, with what to do', () => {
  test.each([
    ['no kind', { title: 'X' }, 'kind: Say what this is: "event", "assignment", "announcement" or "note".'],
    ['no title', event({ title: '  ' }), 'title: Give it a title.'],
    ['two lines of title', event({ title: 'a\nb' }), 'title: This must be a single line.'],
    ['nobody to see it', event({ audience: [] }), 'audience: Choose at least one course.'],
    ['a course twice', event({ audience: [...audience, ...audience] }), 'audience: Each course can be named once.'],
    ['a part of nobody', event({ audience: [{ course: COURSE, groups: [] }] }), 'audience.0.groups: Choose at least one group, or everyone.'],
    ['a day that is not', event({ start: '2026-02-30' }), 'start: Give a date (2026-10-15) or a date and time (2026-10-15T17:00).'],
    ['a year of another century', event({ start: '1026-10-13T14:00' }), 'start: Give a date (2026-10-15) or a date and time (2026-10-15T17:00).'],
    ['half an address', event({ links: [{ url: 'tideway/pilot' }] }), 'links.0.url: Paste a whole address, beginning with https:// or http://.'],
    ['an address that runs', event({ links: [{ url: 'javascript:alert(1)' }] }), 'links.0.url: Paste a whole address, beginning with https:// or http://.'],
    ['a link to nothing', event({ links: [{}] }), 'links.0.url: Paste a whole address, beginning with https:// or http://.'],
    ['half a seat', event({ coming: { seats: 1.5 } }), 'coming.seats: Whole seats only.'],
    ['a negative time before', event({ visibility: { kind: 'before', days: -1 } }), 'visibility.days: At least 0 days.'],
    ['work without a due date', work({ due: undefined }), 'due: Say when it is due.'],
    ['class 0', work({ atClass: { due: { ordinal: 0 } } }), 'atClass.due.ordinal: Classes are counted from 1.'],
    ['points below none', work({ points: -1 }), 'points: Points are 0 or more.'],
    ['no minute of effort', work({ effortMinutes: 0 }), 'effortMinutes: At least a minute.'],
    ['two due times for one student', work({ extensions: [{ person: STUDENT, due: '2026-10-16' }, { person: STUDENT, due: '2026-10-17' }] }), 'extensions: Each student has one extended due time.'],
  ])('%s', (_, input, sentence) => expect(refusals(input)).toEqual([sentence])); // prettier-ignore
});

test('work may follow a class instead of having a due date; the edge is its start unless said', () => {
  const read = entryInput.parse(work({ due: undefined, atClass: { due: { ordinal: 12 } } }));
  expect(read).toMatchObject({ atClass: { due: { ordinal: 12, edge: 'start' } } });
});

describe('ways to repeat', () => {
  test.each([
    'FREQ=WEEKLY;COUNT=4',
    'FREQ=WEEKLY;INTERVAL=2;BYDAY=TU,TH;UNTIL=20261218',
    'FREQ=MONTHLY;BYDAY=-1FR;UNTIL=20261218T235900',
    'FREQ=MONTHLY;BYMONTHDAY=1,15,-1',
    'FREQ=YEARLY;BYMONTH=10;BYDAY=MO;BYSETPOS=2;WKST=SU',
  ])('%s is one', (rrule) => expect(refusals(event({ rrule }))).toEqual([]));
  test.each([
    ['nothing', ''],
    ['no frequency', 'COUNT=4'],
    ['by the second', 'FREQ=SECONDLY'],
    ['a count and an end, which RFC 5545 (3.3.10) forbids together', 'FREQ=DAILY;COUNT=2;UNTIL=20261218'],
    ['a part without a value', 'FREQ=DAILY;COUNT='],
    ['no day of the week', 'FREQ=WEEKLY;BYDAY=XX'],
    ['an end in the thirteenth month', 'FREQ=DAILY;UNTIL=20261318'],
    ['more than a course has', 'FREQ=DAILY;COUNT=501'],
    ['five hours of a day', 'FREQ=DAILY;BYHOUR=9,10,11,12,13'],
  ])('%s is none', (_, rrule) =>
    expect(refusals(event({ rrule }))).toEqual([
      'rrule: This is not a way to repeat that Pembit knows, such as FREQ=WEEKLY;COUNT=4.',
    ]),
  );
});

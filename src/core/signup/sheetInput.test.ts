import { describe, expect, test } from 'vitest';
import { retimeInput, sheetInput, slotInput, takeTimeInput } from './sheetInput';

const COURSE = '11111111-1111-4111-8111-111111111111';
const stretch = { date: '2026-10-15', start: '12:00', end: '14:00' };
const offering = (changes: object = {}) => ({ stretches: [stretch], length: 25, ...changes });
const given = (changes: object = {}) => ({
  title: 'Office hours', audience: [{ course: COURSE }], offering: offering(), ...changes,
}); // prettier-ignore
const refusals = (read: {
  success: boolean;
  error?: { issues: { path: PropertyKey[]; message: string }[] };
}) => read.error?.issues.map(({ path, message }) => `${path.join('.')}: ${message}`) ?? [];

test('what is left out has a plain value: one person, one time each, at any moment, nothing repeated', () => {
  expect(sheetInput.parse(given())).toMatchObject({
    seats: 1,
    place: '',
    meetingLink: '',
    offered: true,
    offering: { repeat: 'dates', gap: 0, breaks: [], leftOut: [], allTheSame: [] },
    rules: {
      perSheet: 1, take: { kind: 'minutes', minutes: 0 }, giveBack: { kind: 'minutes', minutes: 0 },
      namesShown: false, waitingList: false, together: true, privateMeetings: false, links: [],
    },
  }); // prettier-ignore
});

test('a stretch may end with its day: 00:00 is the midnight that ends it', () =>
  expect(refusals(sheetInput.safeParse(given({ offering: offering({ stretches: [{ ...stretch, end: '00:00' }] }) })))).toEqual([])); // prettier-ignore

describe('what is refused is named, with what to do', () => {
  test.each([
    ['no title', given({ title: '' }), 'title: Give it a title.'],
    ['nobody', given({ audience: [] }), 'audience: Choose at least one course.'],
    ['no stretch', given({ offering: offering({ stretches: [] }) }), 'offering.stretches: Offer at least one stretch of time.'],
    ['a stretch backwards', given({ offering: offering({ stretches: [{ ...stretch, end: '11:00' }] }) }), 'offering.stretches.0.end: The stretch ends before it begins. Choose a later end.'],
    ['a stretch of nothing', given({ offering: offering({ stretches: [{ ...stretch, end: '12:00' }] }) }), 'offering.stretches.0.end: The stretch ends before it begins. Choose a later end.'],
    ['a break backwards', given({ offering: offering({ breaks: [{ start: '13:00', end: '12:30' }] }) }), 'offering.breaks.0.end: The stretch ends before it begins. Choose a later end.'],
    ['25 o’clock', given({ offering: offering({ stretches: [{ ...stretch, end: '25:00' }] }) }), 'offering.stretches.0.end: Give a time of day, such as 12:00.'],
    ['a long gap', given({ offering: offering({ gap: 241 }) }), 'offering.gap: The gap is at most 240 minutes.'],
    ['half a minute', given({ offering: offering({ gap: 0.5 }) }), 'offering.gap: The gap is a whole number of minutes.'],
    ['no person', given({ seats: 0 }), 'seats: People per time is at least 1.'],
    ['no time for a student', given({ rules: { perSheet: 0 } }), 'rules.perSheet: Times per student is at least 1.'],
    ['another kind of notice', given({ rules: { take: { kind: 'never' } } }), 'rules.take.kind: Say "minutes" or "day".'],
    ['a notice of half a year', given({ rules: { take: { kind: 'minutes', minutes: 300_000 } } }), 'rules.take.minutes: The notice is at most 86400 minutes.'],
    ['a question without words', given({ rules: { question: { text: '' } } }), 'rules.question.text: Write the question.'],
    ['a meeting at no address', given({ meetingLink: 'call me' }), 'meetingLink: Paste a whole address, beginning with https:// or http://.'],
    ['times left out by no start', given({ offering: offering({ leftOut: ['noon'] }) }), 'offering.leftOut.0: Name times by their start, such as 2026-10-15T12:00.'],
  ])('%s', (_, input, sentence) => expect(refusals(sheetInput.safeParse(input))).toEqual([sentence])); // prettier-ignore
  test.each([
    [4, 'The length of a time is at least 5 minutes.'],
    [721, 'The length of a time is at most 720 minutes.'],
    [7.5, 'The length of a time is 5 to 720 whole minutes, or "whole".'],
    ['half', 'The length of a time is 5 to 720 whole minutes, or "whole".'],
    [undefined, 'The length of a time is 5 to 720 whole minutes, or "whole".'],
  ])('a length of %s', (length, sentence) =>
    expect(refusals(sheetInput.safeParse(given({ offering: offering({ length }) })))).toEqual([
      `offering.length: ${sentence}`,
    ]),
  );
});

describe('a single time', () => {
  const slot = (start: string, end: string) => refusals(slotInput.safeParse({ start, end }));
  test('has an end after its start, and at most twelve hours', () => {
    expect(slot('2026-10-15T12:00', '2026-10-15T12:25')).toEqual([]);
    expect(slot('2026-10-15T12:00', '2026-10-16T00:00')).toEqual([]);
    expect(slot('2026-10-15T12:00', '2026-10-15T12:00')).toEqual([
      'end: The stretch ends before it begins. Choose a later end.',
    ]);
    // The commonest slip: a window that runs on to the next day.
    expect(slot('2026-10-15T12:00', '2026-10-16T14:00')).toEqual(['end: A time is at most 12 hours long.']);
  });
});

test('other times keep what is taken unless it is said that they are cancelled', () => {
  expect(retimeInput.parse({ offering: offering() }).others).toBe('keep');
  expect(refusals(retimeInput.safeParse({ offering: offering(), others: 'move' }))).toEqual(['others: Say "keep" or "cancel".']);
}); // prettier-ignore

test('a note is kept without the space around it, at most 1,000 characters', () => {
  expect(takeTimeInput.parse({ note: '  my stem \n' })).toEqual({ note: 'my stem', answer: '' });
  expect(refusals(takeTimeInput.safeParse({ note: 'x'.repeat(1001) }))).toEqual([
    'note: At most 1000 characters.',
  ]);
});

import { describe, expect, test } from 'vitest';
import { NOW, TZID, assignment, at, course, day, event, meeting, plan, term } from '../../../tests/support/plans'; // prettier-ignore
import { readCalendar } from '../icalendar/readCalendar';
import type { CourseId, EntryId, PersonId } from '../ids';
import type { Plan } from '../plan/plan';
import { requireZone } from '../time/zoneData';
import { momentText } from '../time/zonedWall';
import { compareCalendar, plainTitle } from './compareCalendar';
import { changedByRead, entryFromRead } from './entryFromRead';

const section = { ...course().sections[0]!, meetings: [meeting()] };
const own = course({ sections: [section] });
const vevent = (uid: string, title: string, ...lines: string[]) => ['BEGIN:VEVENT', `UID:${uid}`, 'DTSTAMP:20261001T120000Z', `SUMMARY:${title}`, ...lines, 'END:VEVENT'].join('\r\n'); // prettier-ignore
const file = (...components: string[]) =>
  readCalendar(new TextEncoder().encode(`BEGIN:VCALENDAR\r\n${components.join('\r\n')}\r\nEND:VCALENDAR\r\n`), { tzid: TZID }); // prettier-ignore
const compare = (parts: Partial<Plan>, ...components: string[]) =>
  compareCalendar(file(...components), { plan: plan({ courses: [own], ...parts }), course: own, term });
const states = (parts: Partial<Plan>, ...components: string[]) =>
  compare(parts, ...components).map((line) => (line.state === 'left' ? `left: ${line.why}` : line.state));

const AT_TWO = 'DTSTART;TZID=America/Halifax:20261013T140000\r\nDTEND;TZID=America/Halifax:20261013T150000';

describe('an event of a file', () => {
  test.each([
    ['is new under a UID that nothing has', {}, vevent('x', 'Rope walk', AT_TWO), ['new']],
    [
      'is the same where nothing differs',
      { entries: [event()] },
      vevent('uid-e1', 'HL: Rope walk', AT_TWO),
      ['same'],
    ],
    [
      'is changed by another time',
      { entries: [event()] },
      vevent('uid-e1', 'Rope walk', 'DTSTART;TZID=America/Halifax:20261014T140000'),
      ['changed'],
    ],
    [
      'is known by the UID it had in its file',
      { entries: [event({ sourceUid: 'club-7' })] },
      vevent('club-7', 'Rope walk', AT_TWO),
      ['same'],
    ],
    ['is a class of the course, and stays', {}, vevent('m1', 'Lines (class 11)', AT_TWO), ['same']],
    [
      'is left where it is called off',
      {},
      vevent('x', 'Off', AT_TWO, 'STATUS:CANCELLED'),
      ['left: It was called off.'],
    ],
    [
      'is left outside the term',
      {},
      vevent('x', 'Late', 'DTSTART;VALUE=DATE:20280101'),
      ['left: It lies outside the term.'],
    ],
  ] as const)('%s', (_, parts, text, expected) => {
    const found = states(parts as Partial<Plan>, text);
    expect(found.map((state) => state.slice(0, 4))).toEqual(expected.map((state) => state.slice(0, 4)));
  });
});

test('work is known by its due day and by the day it is set', () => {
  const parts = { entries: [assignment()] };
  expect(states(parts, vevent('uid-w1', 'HL: Body plan (due)', 'DTSTART;TZID=America/Halifax:20261015T170000'))).toEqual(['same']); // prettier-ignore
  expect(states(parts, vevent('uid-w1-set', 'HL: Body plan set', 'DTSTART;VALUE=DATE:20261009'))).toEqual(['changed']); // prettier-ignore
});

test('single dates that were added to a rule become events of their own', () => {
  const lines = compare({}, vevent('x', 'Talk', AT_TWO, 'RDATE;TZID=America/Halifax:20261020T140000,20261027T140000')); // prettier-ignore
  expect(lines.map(({ state, when }) => `${state} ${when}`)).toEqual(['new 2026-10-13T14:00', 'new 2026-10-20T14:00', 'new 2026-10-27T14:00']); // prettier-ignore
});

test('a series by clocks that change on other days comes as single events, and is said to; one that keeps its time stays one', () => {
  // Lisbon's clocks go back on 25 October, Halifax' on 1 November: the talk on the 27th is an hour later here.
  const lisbon = vevent('x', 'Talk', 'DTSTART;TZID=Europe/Lisbon:20261013T180000', 'DTEND;TZID=Europe/Lisbon:20261013T190000', 'RRULE:FREQ=WEEKLY;COUNT=3');
  const lines = compare({}, lisbon);
  expect(lines.map(({ state, when }) => `${state} ${when}`)).toEqual(['noted ', 'new 2026-10-13T14:00', 'new 2026-10-20T14:00', 'new 2026-10-27T15:00']);
  expect(lines[0]).toMatchObject({ why: 'It repeats by the clocks of Europe/Lisbon, which change on other days: it comes as 3 single events.' });
  // New York's clocks go with Halifax'.
  const newYork = vevent('y', 'Talk', 'DTSTART;TZID=America/New_York:20261013T130000', 'RRULE:FREQ=WEEKLY;COUNT=5');
  expect(compare({}, newYork)).toMatchObject([{ state: 'new', when: '2026-10-13T14:00', event: { rrule: 'FREQ=WEEKLY;COUNT=5' } }]);
}); // prettier-ignore

test('what was read otherwise than it is written is named, with its line', () => {
  const odd = vevent('x', 'Talk', 'DTSTART;TZID=Nowhere/Land:20261013T140000', 'DTEND:20261012T140000');
  const noted = compare({}, odd).filter(({ state }) => state === 'noted');
  expect(noted.map(({ line }) => line)).toEqual([6, 7]);
  const later = vevent('x', 'Moved', 'DTSTART;TZID=America/Halifax:20261020T150000', 'RECURRENCE-ID;RANGE=THISANDFUTURE;TZID=America/Halifax:20261020T140000');
  const series = vevent('x', 'Talk', AT_TWO, 'RRULE:FREQ=WEEKLY;COUNT=4');
  expect(compare({}, series, later)).toContainEqual(expect.objectContaining({ state: 'noted', why: 'A change for all later dates was taken for this one alone.' }));
}); // prettier-ignore

test.each([
  ['HL: Body plan (due)', 'Body plan'],
  ['Body plan', 'Body plan'],
  ['NV: Body plan', 'NV: Body plan'],
])('the title %s is %s', (title, expected) => expect(plainTitle(title, 'HL')).toBe(expected));

/** Ids are checked where an entry is made. */
const taught = course({ id: '00000000-0000-4000-8000-000000000001' as CourseId });
const identity = { id: 'n' as EntryId, uid: 'n', author: 'maren' as PersonId };
const made = (text: string, changes: object = {}) =>
  entryFromRead({ ...file(text).events[0]!, ...changes }, { course: taught, zone: requireZone(TZID), identity, draft: true }); // prettier-ignore

test('an event becomes an entry of the course: formatted text, a link that is one, and what differs singly', () => {
  const text = vevent('club-7', 'HL: Talk', AT_TWO, 'DESCRIPTION:One & two\\n\\n<b>three', 'URL:javascript:alert(1)', 'LOCATION:Quay', 'RRULE:FREQ=WEEKLY;COUNT=3', 'EXDATE;TZID=America/Halifax:20261020T140000'); // prettier-ignore
  const outcome = made(text);
  expect(outcome).toMatchObject({
    facts: {
      kind: 'event', title: 'Talk', description: '<p>One &amp; two</p><p>&lt;b&gt;three</p>', links: [], place: 'Quay', sourceUid: 'club-7',
      visibility: { kind: 'draft' }, recurrence: { rrule: 'FREQ=WEEKLY;COUNT=3' }, uid: 'n',
    },
  }); // prettier-ignore
  if ('facts' in outcome && outcome.facts.kind === 'event')
    expect(outcome.facts.recurrence!.exdates.map(momentText)).toEqual(['2026-10-20T14:00']);
});

test('what cannot be an entry says why', () => {
  expect(made(vevent('x', 'Talk', AT_TWO), { place: 'P'.repeat(300) })).toHaveProperty('why');
});

test('a changed file changes date and title, and leaves what it does not know', () => {
  const [read] = file(vevent('uid-w1', 'HL: Body plan II (due)', 'DTSTART;TZID=America/Halifax:20261016T090000')).events; // prettier-ignore
  const work = assignment({ points: 20, visibility: { kind: 'before', days: 7, at: NOW } });
  const changed = changedByRead(work, read!, { set: false, tag: 'HL' });
  expect(changed).toMatchObject({ title: 'Body plan II', due: at('2026-10-16T09:00'), points: 20 }); // prettier-ignore
  const [set] = file(vevent('uid-w1-set', 'HL: Body plan', 'DTSTART;VALUE=DATE:20261009')).events;
  expect(changedByRead(work, set!, { set: true, tag: 'HL' })).toMatchObject({ setOn: day('2026-10-09'), due: work.due, title: 'Body plan' }); // prettier-ignore
});

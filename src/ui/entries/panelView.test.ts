import { describe, expect, test } from 'vitest';
import {
  HL,
  IVO,
  NOW,
  SECTION_A,
  assignment,
  at,
  course,
  day,
  event,
  meeting,
  navigation,
  plan,
  staff,
  student,
  term,
  time,
} from '../../../tests/support/plans';
import { withClassDates } from '@/core/entries/classDates';
import type { Entry } from '@/core/entries/entry';
import type { SectionId } from '@/core/ids';
import type { Plan } from '@/core/plan/plan';
import { seenPlan } from '@/core/plan/seenPlan';
import { requireZone } from '@/core/time/zoneData';
import { editing } from '../plan/editing';
import type { EntryDraft } from './entryDraft';
import { panelEntry } from './panelView';

const shown = (entry: Entry, more: Partial<Plan> = {}, viewer = staff(HL)) => {
  const seen = seenPlan(viewer, plan({ entries: [entry], ...more }), NOW);
  const mayEdit = viewer.staffOf.size > 0;
  return panelEntry(seen.entries[0]!, {
    courses: seen.courses,
    term,
    locale: 'en-GB',
    mayEdit,
    zoneOf: requireZone,
  });
};
const facts = (entry: Entry, more: Partial<Plan> = {}, viewer = staff(HL)) =>
  shown(entry, more, viewer).facts.map(({ label, value }) => `${label}: ${value}`);

describe('when it is, in words with the week', () => {
  const when = (changes: object) => shown(event(changes)).when;
  test.each([
    ['at a time', { kind: 'timed', start: at('2026-10-13T14:00'), end: at('2026-10-13T15:00') }, 'week 6, Tue 13 Oct, 14:00–15:00'],
    ['without an end', { kind: 'timed', start: at('2026-10-13T14:00') }, 'week 6, Tue 13 Oct, 14:00'],
    ['a day', { kind: 'days', start: day('2026-10-13'), end: day('2026-10-14') }, 'week 6, Tue 13 Oct'],
    ['several days', { kind: 'days', start: day('2026-10-13'), end: day('2026-10-16') }, 'week 6, Tue 13 Oct – Thu 15 Oct'],
  ])('%s', (_, moment, words) => expect(when({ when: moment })).toBe(words)); // prettier-ignore
  test('due work says its time', () => expect(shown(assignment()).when).toBe('week 6, Thu 15 Oct, 17:00'));
  test('a series says how it repeats', () =>
    expect(shown(event({ recurrence: { rrule: 'FREQ=WEEKLY;COUNT=4', exdates: [], overrides: [] } })).repeats).toBe('every week 4 times')); // prettier-ignore
});

test('of a series each occurrence in the term says when it is, and what it says otherwise', () => {
  const series = event({
    when: { kind: 'timed', start: at('2026-10-13T14:00'), end: at('2026-10-13T15:00') },
    place: 'Model shop',
    recurrence: {
      rrule: 'FREQ=WEEKLY;COUNT=4',
      exdates: [at('2026-10-27T14:00')],
      overrides: [
        { recurrenceId: at('2026-10-20T14:00'), start: at('2026-10-21T16:30'), end: at('2026-10-21T18:00'), title: 'With a guest', description: '<p>Be early<script>x</script></p>' },
        { recurrenceId: at('2026-11-03T14:00'), cancelled: 'Storm' },
      ],
    },
  }); // prettier-ignore
  const panel = shown(series);
  expect(panel.singles).toEqual({
    '2026-10-13T14:00': { when: 'week 6, Tue 13 Oct, 14:00–15:00' },
    '2026-10-20T14:00': { when: 'week 7, Wed 21 Oct, 16:30–18:00', title: 'With a guest', description: '<p>Be early</p>' },
    '2026-11-03T14:00': { when: 'week 9, Tue 3 Nov, 14:00–15:00', cancelled: 'Cancelled: Storm' },
  }); // prettier-ignore
  const occurrence = {
    recurrenceId: '2026-10-20T14:00',
    start: '2026-10-21T16:30',
    end: '2026-10-21T18:00',
  };
  // One of them begins with what it says itself; the later ones with what the series says.
  const draft = (scope: 'this' | 'following') => editing(panel, scope, occurrence) as { draft: EntryDraft };
  expect(draft('this').draft).toMatchObject({ title: 'With a guest', place: 'Model shop', starts: '16:30', day: '2026-10-21' }); // prettier-ignore
  expect(draft('following').draft).toMatchObject({
    title: panel.title,
    description: panel.draft.description,
  });
});

test('the line of dates stands in the order of time, whatever they are called', () => {
  const dated = assignment({ opens: at('2026-10-09T08:00'), closes: at('2026-10-17T17:00') });
  expect(shown(dated).dates.map(({ field, day: date }) => `${field} ${date}`)).toEqual([
    'setOn 2026-10-08',
    'opens 2026-10-09',
    'main 2026-10-15',
    'closes 2026-10-17',
  ]);
});

describe('dates that follow classes', () => {
  const section = (name: string, date: string) => ({
    id: (name === 'A' ? SECTION_A : name) as SectionId, name, students: 20, patterns: [],
    meetings: [meeting({ ordinal: 12, date: day(date), start: time('10:00'), end: time('11:00') })],
  }); // prettier-ignore
  const courses = [course({ sections: [section('A', '2026-10-08'), section('B', '2026-10-09')] })];
  const following = assignment({ atClass: { setOn: { ordinal: 12, edge: 'start' } } });
  test('are told by section where sections differ, and only those', () =>
    expect(facts(withClassDates(following, courses), { courses })).toEqual(
      expect.arrayContaining(['Set in section A: Thu 8 Oct', 'Set in section B: Fri 9 Oct']),
    ));
  test('are told once where they are the same', () => {
    const same = [course({ sections: [section('A', '2026-10-08'), section('B', '2026-10-08')] })];
    expect(
      facts(withClassDates(following, same), { courses: same }).filter((fact) => /in section/.test(fact)),
    ).toEqual([]);
    expect(
      facts(withClassDates(following, courses), { courses }).filter((fact) => /^Due in section/.test(fact)),
    ).toEqual([]);
  });
});

test('how it is handed in, late work, points and effort are named; none is left out', () => {
  const full = assignment({ latePolicy: 'A day late is a point less.', points: 0, effortMinutes: 90 });
  expect(facts(full)).toEqual([
    'Handing in: On paper',
    'Late work and resubmission: A day late is a point less.',
    'Points: 0',
    'Effort: about 1.5 h a student',
  ]);
  expect(facts(assignment({ handIn: '' }))).toEqual([]);
});

describe('an extended due date', () => {
  const extended = assignment({
    extensions: [{ person: IVO, name: 'Ivo Saltmarsh', due: at('2026-10-20T17:00') }],
  });
  test('is told to the staff by name, and to whoever has it as theirs', () => {
    expect(facts(extended)).toContain('Extended due dates: Ivo Saltmarsh: Tue 20 Oct, 17:00');
    const own = shown(extended, {}, student());
    expect(own.when).toBe('week 7, Tue 20 Oct, 17:00');
    expect(own.facts.map(({ value }) => value)).toContain('The due date above is yours alone.');
  });
  test('is nobody else’s business', () =>
    expect(JSON.stringify(shown(extended, {}, student('other' as typeof IVO)))).not.toMatch(
      /Saltmarsh|20 Oct/,
    ));
});

test('who sees it is said in words with a number, with the courses that it is for', () => {
  const both = event({ audience: [{ course: HL }, { course: navigation().id }] });
  const { who, tags } = shown(both, { courses: [course(), navigation()] }, staff(HL, navigation().id));
  expect(who).toMatch(/students? in HL.*NV/);
  expect(tags.map(({ tag }) => tag)).toEqual(['HL', 'NV']);
});

test('a note is its author’s alone, has no line of dates and no links', () => {
  const note = {
    ...event(),
    kind: 'note',
    on: day('2026-10-13'),
    author: staff(HL).id,
    about: undefined,
  } as never;
  const made = shown(note);
  expect(made).toMatchObject({ who: 'you alone', dates: [], links: [], tags: [] });
});

test('what is cancelled says so, with the reason', () =>
  expect(shown(event({ cancelled: 'Storm' })).cancelled).toBe('Cancelled: Storm'));

test('who is coming: names for the staff, a count and one’s own answer for others', () => {
  const coming = event({ coming: { seats: 12, replies: [{ person: IVO, name: 'Ivo Saltmarsh', answer: 'coming' }] } } as never); // prettier-ignore
  expect(shown(coming).coming).toMatchObject({
    words: '1 of 12 seats taken',
    names: ['Ivo Saltmarsh: coming'],
  });
  expect(shown(coming, {}, student()).coming).toMatchObject({
    words: '1 of 12 seats taken',
    own: 'coming',
    names: [],
  });
});

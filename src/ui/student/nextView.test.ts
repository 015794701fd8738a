import { expect, test } from 'vitest';
import {
  HL,
  NOW,
  ODA,
  SECTION_A,
  assignment,
  at,
  booking,
  course,
  day,
  event,
  instant,
  meeting,
  plan,
  sheet,
  student,
} from '../../../tests/support/plans';
import type { BookingId } from '@/core/ids';
import { occurrencesOf } from '@/core/plan/occurrences';
import type { Plan } from '@/core/plan/plan';
import { DEFAULT_RULES } from '@/core/signup/sheet';
import { seenPlan } from '@/core/plan/seenPlan';
import { requireZone } from '@/core/time/zoneData';
import { officeHours } from '../signup/sheetList';
import { nextView } from './nextView';
import { signUpView } from './signUpView';

const view = (given: Plan, now = NOW, today = '2026-10-13') => {
  const seen = seenPlan(student(), given, now);
  return nextView(seen, occurrencesOf(seen, requireZone), { zoneOf: requireZone, now, today: day(today) });
};
const links = [{ url: 'https://x.example/1', label: 'Handout', staffOnly: false }];
const withClass = course({
  sections: [{ id: SECTION_A, name: 'A', students: 20, patterns: [], meetings: [meeting()] }],
});

test('what is on now, or next today, stands first with its links', () => {
  const given = plan({ courses: [withClass], entries: [event({ links })] });
  expect(view(given).now).toMatchObject({ label: 'Next, 10:00', line: { title: 'Class 11' } });
  expect(view(given, instant('2026-10-13T10:30')).now).toMatchObject({
    label: 'Now, until 11:50',
    line: { title: 'Class 11' },
  });
  expect(view(given, instant('2026-10-13T12:30')).now).toMatchObject({
    label: 'Next, 14:00',
    line: { title: 'Rope walk', links: [{ url: 'https://x.example/1' }] },
  });
  expect(view(given, instant('2026-10-13T16:00')).now).toBeUndefined();
});

test('a cancelled class is listed, but is not what comes next', () => {
  const sections = [{ ...withClass.sections[0]!, meetings: [meeting({ cancelled: 'Storm' })] }];
  const shown = view(plan({ courses: [course({ sections })] }));
  expect(shown.now).toBeUndefined();
  expect(shown.days[0]!.lines[0]).toMatchObject({ title: 'Class 11', detail: 'Cancelled: Storm' });
});

test('then by day, with how far away it is; what is over is gone', () => {
  const yesterday = event({ when: { kind: 'timed', start: at('2026-10-12T14:00') } });
  const lasting = event({
    title: 'Regatta',
    when: { kind: 'days', start: day('2026-10-11'), end: day('2026-10-15') },
  });
  const far = event({
    title: 'Far away',
    when: { kind: 'days', start: day('2026-11-20'), end: day('2026-11-21') },
  });
  const { days } = view(plan({ entries: [yesterday, lasting, far, assignment()] }));
  expect(days.map((d) => [d.heading, d.distance, d.lines.map((line) => line.title)])).toEqual([
    ['Today, Tuesday 13 October', '', ['Regatta']],
    ['Thursday 15 October', 'in 2 days', ['Body plan']],
  ]);
  expect(days[1]!.lines[0]).toMatchObject({ time: 'by 17:00', detail: 'On paper · set Thu 8 Oct' });
});

test('work that is over stays for 14 days; at the end of a term those of its last 14 days, until the term is out of sight', () => {
  const given = plan({ entries: [assignment({ setOn: undefined, due: at('2026-12-10T17:00') })] });
  const left = (on: string) => view(given, instant(`${on}T12:00`), on).wasDue.map(({ title }) => title);
  expect(left('2026-12-10')).toEqual([]);
  expect(left('2026-12-11')).toEqual(['Body plan']);
  expect(left('2027-01-08')).toEqual(['Body plan']);
  expect(left('2027-01-09')).toEqual([]);
  const early = plan({ entries: [assignment({ setOn: undefined, due: at('2026-10-15T17:00') })] });
  const at2 = (on: string) => view(early, instant(`${on}T12:00`), on).wasDue.length;
  expect(['2026-10-29', '2026-10-30', '2026-12-19'].map(at2)).toEqual([1, 0, 0]);
});

const sheets = [
  sheet([[booking()], [booking({ id: 'b2' as BookingId, person: ODA, personName: 'Oda Tarn' })], []], {
    rules: { ...DEFAULT_RULES, perSheet: 2 },
  }),
];

test('a student’s own time is a line of its day, with place and note; free times stand on the sign-up page', () => {
  const { days } = view(plan({ sheets }));
  expect(days).toHaveLength(1);
  expect(days[0]!.lines).toMatchObject([
    {
      time: '12:00–12:25',
      title: 'Your time with Maren Toft',
      detail: 'Office hours · Loft office · “My stem” · Join from 11:45',
      links: [],
    },
  ]);
});

test('signing up: free, taken and own times by day, and what one holds', () => {
  const { days, own } = signUpView(seenPlan(student(), plan({ sheets }), NOW), {
    zoneOf: requireZone,
    now: NOW,
  });
  expect(days).toMatchObject([{ date: 'Thursday 15 October', tag: 'HL', hosts: 'Maren Toft', free: 1 }]);
  expect(days[0]!.slots.map((slot) => [slot.range, slot.state])).toEqual([
    ['12:00–12:25', 'yours'],
    ['12:30–12:55', 'taken'],
    ['13:00–13:25', 'free'],
  ]);
  expect(own).toMatchObject([{ booking: 'b1', when: 'Thu 15 Oct', range: '12:00–12:25', note: 'My stem' }]);
  const over = instant('2026-10-15T12:40');
  expect(
    signUpView(seenPlan(student(), plan({ sheets }), over), { zoneOf: requireZone, now: over }).days[0]!
      .slots,
  ).toHaveLength(1);
});

test('the staff’s page: who comes, soonest first, and how full each day is', () => {
  const maren = {
    kind: 'person',
    id: 'maren' as never,
    staffOf: new Set([HL]),
    instructs: new Set([HL]),
    helps: new Map(),
    memberOf: new Map(),
    groups: new Set<never>(),
  } as const;
  const seen = seenPlan(maren, plan({ sheets }), NOW);
  const { sheets: cards, booked } = officeHours(seen, { term: seen.terms[0], zoneOf: requireZone, now: NOW });
  expect(booked.map((line) => [line.day, line.time, line.name, line.note])).toEqual([
    ['week 6, Thu 15 Oct', '12:00–12:25', 'Ivo Saltmarsh', 'My stem'],
    ['week 6, Thu 15 Oct', '12:30–12:55', 'Oda Tarn', 'My stem'],
  ]);
  expect(cards).toMatchObject([
    { free: 1, seats: 3, days: [{ label: 'week 6, Thu 15 Oct', boxes: [true, true, false] }] },
  ]);
});

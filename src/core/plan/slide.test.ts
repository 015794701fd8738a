import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { describe, expect, test } from 'vitest';
import { HL, NOW, day, time } from '../../../tests/support/plans';
import type { ClassPlanId, MeetingId, SectionId } from '../ids';
import type { Meeting } from '../time/meetings';
import { fitMeetings, plannedMeetings } from '../time/meetings';
import { dateLabel } from '../time/dateLabels';
import type { ClassPlan } from './classPlan';
import type { Section } from './plan';
import type { SlideMove } from './slide';
import { bringTogether, pullForward, sideBySide, slideLater } from './slide';

/** A 15-week autumn term, 8 September to 18 December, closed on 12 October and in the week of 9 November. */
const term = { startsOn: day('2026-09-08'), endsOn: day('2026-12-18') };
const closures = [
  { start: day('2026-10-12'), end: day('2026-10-13') },
  { start: day('2026-11-09'), end: day('2026-11-14') },
];

function section(name: string, weekdays: readonly number[], off: readonly string[] = []): Section {
  const classes = weekdays.map((weekday) => ({ weekday, start: time('10:00'), end: time('11:15') }));
  const planned = plannedMeetings(term, { patterns: [{ from: term.startsOn, classes }] }, closures);
  const { meetings } = fitMeetings([], planned, { idOf: (key) => `${name}${key}` as MeetingId, now: NOW });
  return { id: name as SectionId, name, students: 20, patterns: [], meetings: meetings.map((m) => (off.includes(m.key) ? { ...m, cancelled: '' } : m)) }; // prettier-ignore
}

/** Plans on the classes of these numbers in each section; a title with an exclamation mark is pinned. */
function plansOn(sections: readonly Section[], titles: Readonly<Record<number, string>>): ClassPlan[] {
  return Object.entries(titles).map(([ordinal, title]) => ({
    id: title as ClassPlanId,
    course: HL,
    title,
    description: '',
    links: [],
    pinned: title.endsWith('!'),
    bindings: sections.flatMap((s) => {
      const meeting = s.meetings.find((m) => m.ordinal === Number(ordinal));
      return meeting ? [{ section: s.id, meeting: meeting.id }] : [];
    }),
    sequence: 0,
    created: NOW,
    lastModified: NOW,
  }));
}

const numbered = (from: number, to: number): Record<number, string> =>
  Object.fromEntries(Array.from({ length: to - from + 1 }, (_, i) => [from + i, `T${from + i}`]));
const meetingOf = (s: Section, ordinal: number) => s.meetings.find((m) => m.ordinal === ordinal)!;
const said = (moves: readonly SlideMove[]) =>
  moves.map(({ plan, from, to }) => `${plan.title}: ${from ? dateLabel(from.date) : 'nowhere'} -> ${to ? dateLabel(to.date) : 'nowhere'}`); // prettier-ignore

describe('one section, Tuesdays and Thursdays, 28 classes, the last ones without a plan', () => {
  const a = section('A', [2, 4]);
  const plans = plansOn([a], { ...numbered(1, 20), 26: 'Review' });

  test('the classes are where the calendar has them', () => {
    expect(a.meetings).toHaveLength(28);
    expect(a.meetings.slice(15, 20).map((m) => dateLabel(m.date))).toEqual(['Thu 29 Oct', 'Tue 3 Nov', 'Thu 5 Nov', 'Tue 17 Nov', 'Thu 19 Nov']); // prettier-ignore
  });

  test('from class 16 on, each goes to the next class, over the week without classes, until an empty one', () => {
    const from = meetingOf(a, 16);
    expect(said(slideLater(a, plans, { plan: plans[15]!, from, by: 1 }))).toEqual([
      'T16: Thu 29 Oct -> Tue 3 Nov',
      'T17: Tue 3 Nov -> Thu 5 Nov',
      'T18: Thu 5 Nov -> Tue 17 Nov',
      'T19: Tue 17 Nov -> Thu 19 Nov',
      'T20: Thu 19 Nov -> Tue 24 Nov',
    ]);
  });

  test('by two classes, and by six, where the review is pushed on as well', () => {
    const from = meetingOf(a, 18);
    expect(said(slideLater(a, plans, { plan: plans[17]!, from, by: 2 }))).toEqual([
      'T18: Thu 5 Nov -> Thu 19 Nov',
      'T19: Tue 17 Nov -> Tue 24 Nov',
      'T20: Thu 19 Nov -> Thu 26 Nov',
    ]);
    expect(said(slideLater(a, plans, { plan: plans[17]!, from, by: 6 }))).toEqual([
      'T18: Thu 5 Nov -> Thu 3 Dec',
      'T19: Tue 17 Nov -> Tue 8 Dec',
      'T20: Thu 19 Nov -> Thu 10 Dec',
      'Review: Thu 10 Dec -> Tue 15 Dec',
    ]);
  });

  test('a class that was called off takes nothing', () => {
    const off = section('A', [2, 4], ['2026-11-05']);
    const own = plansOn([off], numbered(1, 17));
    expect(said(slideLater(off, own, { plan: own[15]!, from: meetingOf(off, 16), by: 1 }))).toEqual([
      'T16: Thu 29 Oct -> Tue 3 Nov',
      'T17: Tue 3 Nov -> Tue 17 Nov',
    ]);
  });

  test('a plan that lost its class goes to the next one, and pushes those there', () => {
    const lost = { ...plans[19]!, id: 'lost' as ClassPlanId, title: 'Lost', bindings: [{ section: a.id, meeting: 'gone' as MeetingId }] }; // prettier-ignore
    expect(said(slideLater(a, [...plans, lost], { plan: lost, at: meetingOf(a, 19) }))).toEqual([
      'Lost: nowhere -> Tue 17 Nov',
      'T19: Tue 17 Nov -> Thu 19 Nov',
      'T20: Thu 19 Nov -> Tue 24 Nov',
    ]);
  });

  test('an empty class is filled from behind, up to the next empty one', () => {
    const holes = plansOn([a], { 1: 'T1', 4: 'T4', 5: 'T5', 7: 'T7' });
    expect(said(pullForward(a, holes, { into: meetingOf(a, 3), by: 1 }))).toEqual([
      'T4: Thu 17 Sept -> Tue 15 Sept',
      'T5: Tue 22 Sept -> Thu 17 Sept',
    ]);
    expect(said(pullForward(a, holes, { into: meetingOf(a, 2), by: 5 }))).toEqual([
      'T4: Thu 17 Sept -> Thu 10 Sept',
      'T5: Tue 22 Sept -> Tue 15 Sept',
    ]);
    expect(pullForward(a, holes, { into: meetingOf(a, 4), by: 1 })).toEqual([]);
    expect(pullForward(a, holes, { into: meetingOf(a, 8), by: 1 })).toEqual([]);
  });
});

describe('two sections with different weeks: A on Tuesday and Thursday, B on Wednesday alone', () => {
  const [a, b] = [section('A', [2, 4]), section('B', [3])];
  const plans = plansOn([a, b], numbered(5, 8));

  test('each slides along its own classes', () => {
    expect(said(slideLater(a, plans, { plan: plans[1]!, from: meetingOf(a, 6), by: 1 }))).toEqual([
      'T6: Thu 24 Sept -> Tue 29 Sept',
      'T7: Tue 29 Sept -> Thu 1 Oct',
      'T8: Thu 1 Oct -> Tue 6 Oct',
    ]);
    expect(said(slideLater(b, plans, { plan: plans[1]!, from: meetingOf(b, 6), by: 1 }))).toEqual([
      'T6: Wed 14 Oct -> Wed 21 Oct',
      'T7: Wed 21 Oct -> Wed 28 Oct',
      'T8: Wed 28 Oct -> Wed 4 Nov',
    ]);
  });

  test('once B is behind, they are told apart and brought together again', () => {
    const moved = plans.map((plan) => {
      const move = slideLater(b, plans, { plan: plans[1]!, from: meetingOf(b, 6), by: 1 }).find((m) => m.plan.id === plan.id); // prettier-ignore
      return { ...plan, bindings: plan.bindings.map((x) => (x.section === b.id && move?.to ? { ...x, meeting: move.to.id } : x)) }; // prettier-ignore
    });
    const rows = sideBySide([a, b], moved);
    expect(rows.map(({ plan, places, apart }) => `${plan.title} ${places.map((p) => p.meeting?.ordinal).join(' ')}${apart ? ' apart' : ''}`)).toEqual(['T5 5 5', 'T6 6 7 apart', 'T7 7 8 apart', 'T8 8 9 apart']); // prettier-ignore
    expect(said(bringTogether(moved, { like: a, section: b }))).toEqual([
      'T6: Wed 21 Oct -> Wed 14 Oct',
      'T7: Wed 28 Oct -> Wed 21 Oct',
      'T8: Wed 4 Nov -> Wed 28 Oct',
    ]);
    expect(bringTogether(plans, { like: a, section: b })).toEqual([]);
  });
});

describe('a midterm on class 14 and a final on class 28, both pinned, every class planned', () => {
  const a = section('A', [2, 4]);
  const titles = { ...numbered(1, 13), 14: 'Midterm!', ...numbered(15, 27), 28: 'Final!' };
  const plans = plansOn([a], titles);

  test('what does not fit before the midterm is named', () => {
    expect(said(slideLater(a, plans, { plan: plans[10]!, from: meetingOf(a, 11), by: 1 }))).toEqual([
      'T11: Tue 13 Oct -> Thu 15 Oct',
      'T12: Thu 15 Oct -> Tue 20 Oct',
      'T13: Tue 20 Oct -> nowhere',
    ]);
    expect(said(slideLater(a, plans, { plan: plans[12]!, from: meetingOf(a, 13), by: 1 }))).toEqual(['T13: Tue 20 Oct -> nowhere']); // prettier-ignore
  });

  test('passing over the midterm, the last one does not fit before the end', () => {
    const moves = slideLater(a, plans, { plan: plans[10]!, from: meetingOf(a, 11), by: 1, overPins: true });
    expect(said(moves).slice(2, 5)).toEqual([
      'T13: Tue 20 Oct -> Tue 27 Oct',
      'T15: Tue 27 Oct -> Thu 29 Oct',
      'T16: Thu 29 Oct -> Tue 3 Nov',
    ]);
    expect(said(moves).slice(-2)).toEqual(['T26: Thu 10 Dec -> Tue 15 Dec', 'T27: Tue 15 Dec -> nowhere']);
  });
});

describe('whatever is planned', () => {
  const arbitrary = fc.record({
    off: fc.subarray(['2026-09-24', '2026-10-15', '2026-11-05']),
    closed: fc.subarray([1, 2, 3, 4, 5, 6, 7, 8, 9, 10]),
    planned: fc.uniqueArray(fc.integer({ min: 1, max: 28 }), { minLength: 1, maxLength: 28 }),
    pins: fc.uniqueArray(fc.integer({ min: 1, max: 28 }), { maxLength: 3 }),
    start: fc.nat(),
    by: fc.integer({ min: 1, max: 5 }),
    overPins: fc.boolean(),
  });

  test('a slide keeps the order, leaves pins, takes no class twice or called off, and loses nothing', () => {
    fc.assert(
      fc.property(arbitrary, ({ off, planned, pins, start, by, overPins }) => {
        const a = section('A', [2, 4], off);
        const ordinals = [...planned].sort((x, y) => x - y).filter((o) => o <= a.meetings.length);
        const plans = plansOn([a], Object.fromEntries(ordinals.map((o) => [o, `T${o}${pins.includes(o) ? '!' : ''}`]))); // prettier-ignore
        const free = plans.filter((plan) => !plan.pinned);
        fc.pre(free.length > 0);
        const plan = free[start % free.length]!;
        const from = a.meetings.find((m) => m.id === plan.bindings[0]!.meeting)!;
        const moves = slideLater(a, plans, { plan, from, by, overPins });
        const moved = new Map(moves.map((m) => [m.plan.id, m.to]));
        expect(moved.size).toBe(moves.length);
        expect(moves.some((m) => m.plan.pinned)).toBe(false);
        const meetings = new Map(a.meetings.map((m) => [m.id, m]));
        const place = (p: ClassPlan): Meeting | undefined => moved.has(p.id) ? moved.get(p.id) : meetings.get(p.bindings[0]!.meeting); // prettier-ignore
        const places = plans.flatMap((p) => place(p) ?? []);
        expect(new Set(places.map((m) => m.id)).size).toBe(places.length);
        for (const { to, from: was } of moves) {
          expect(to?.cancelled).toBeUndefined();
          if (to && was) expect(Temporal.PlainDate.compare(to.date, was.date)).toBeGreaterThan(0);
        }
        const order = (list: readonly ClassPlan[]) => [...list].sort((x, y) => place(x)!.ordinal - place(y)!.ordinal).map((p) => p.id); // prettier-ignore
        const still = free.filter((p) => place(p));
        expect(order(still)).toEqual(still.map((p) => p.id));
        // What does not fit is the end of what moves, never its middle.
        const gone = moves.map((m) => m.to === undefined);
        expect(gone).toEqual([...gone].sort());
      }),
      { numRuns: 300 },
    );
  });
});

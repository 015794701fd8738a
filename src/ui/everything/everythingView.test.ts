import { describe, expect, test } from 'vitest';
import type { IVO } from '../../../tests/support/plans';
import {
  HL,
  NOW,
  SECTION_A,
  assignment,
  at,
  booking,
  course,
  day,
  event,
  meeting,
  plan,
  sheet,
  staff,
  student,
  term,
  time,
} from '../../../tests/support/plans';
import type { EntryId, SectionId } from '@/core/ids';
import type { Link } from '@/core/entries/entry';
import type { LinkTest } from '@/core/links/linkTest';
import { occurrencesOf } from '@/core/plan/occurrences';
import type { Plan } from '@/core/plan/plan';
import { seenPlan } from '@/core/plan/seenPlan';
import { requireZone } from '@/core/time/zoneData';
import { everythingView } from './everythingView';

const rows = (
  given: Plan,
  {
    viewer = staff(HL),
    tests = new Map<string, LinkTest>(),
    from = '2026-09-08',
    to = '2026-12-18',
    movable = true,
  } = {},
) => {
  const seen = seenPlan(viewer, given, NOW);
  const all = { plan: seen, term, occurrences: occurrencesOf(seen, requireZone), mayMove: () => movable };
  return everythingView(all, { from: day(from), to: day(to), tests });
};
const link = (url: string): Link => ({ url, label: '', staffOnly: false });

test('one line for each thing, in the order of time, with its week; work on the day it is set and the day it is due', () => {
  const entries = [
    assignment(),
    event({ when: { kind: 'days', start: day('2026-10-09'), end: day('2026-10-10') } }),
  ];
  expect(
    rows(plan({ entries })).map(({ day: date, week, kind, title }) => `${week} ${date} ${kind} ${title}`),
  ).toEqual(['5 Thu 8 Oct set set: Body plan', '5 Fri 9 Oct event Rope walk', '6 Thu 15 Oct due Body plan']);
});

test('what lies outside the days that are asked for is not there, what reaches into them is', () => {
  const long = event({ when: { kind: 'days', start: day('2026-10-05'), end: day('2026-10-20') } });
  const asked = { from: '2026-10-10', to: '2026-10-12' };
  expect(rows(plan({ entries: [long] }), asked)).toHaveLength(1);
  expect(rows(plan({ entries: [assignment()] }), asked)).toEqual([]);
});

describe('a line can be changed where it stands', () => {
  const lines = (given: Plan, options = {}) => rows(given, options).map(({ kind, line }) => [kind, line && `${line.title} ${line.day} ${line.time}`]); // prettier-ignore
  test('a date and a time; not the day on which work is set', () =>
    expect(lines(plan({ entries: [assignment()] }))).toEqual([
      ['set', undefined],
      ['due', 'Body plan 2026-10-15 17:00'],
    ]));
  test('not by whoever may not', () =>
    expect(lines(plan({ entries: [event()] }), { movable: false })).toEqual([['event', undefined]]));
  test('not one of a series: that asks which of them are meant', () => {
    const series = event({ recurrence: { rrule: 'FREQ=WEEKLY;COUNT=2', exdates: [], overrides: [] } });
    expect(lines(plan({ entries: [series] }))).toEqual([['event', undefined], ['event', undefined]]);
  }); // prettier-ignore
});

test('each line has an id of its own, which stays when the date of what was planned once changes', () => {
  const moved = (start: string) =>
    rows(plan({ entries: [event({ when: { kind: 'timed', start: at(start) } })] }))[0]!;
  expect(moved('2026-10-13T14:00').id).toBe(moved('2026-10-14T09:00').id);
  expect(moved('2026-10-13T14:00').key).not.toBe(moved('2026-10-14T09:00').key);
  const series = event({ recurrence: { rrule: 'FREQ=WEEKLY;COUNT=4', exdates: [], overrides: [] } });
  expect(new Set(rows(plan({ entries: [series] })).map(({ id }) => id)).size).toBe(4);
});

describe('what is known of the links of a line is the worst of them', () => {
  const state = (states: readonly (LinkTest['state'] | undefined)[]) => {
    const urls = states.map((_, i) => `https://x.example/${i}`);
    const tests = new Map(
      states.flatMap((s, i) => (s ? [[urls[i]!, { state: s } as LinkTest] as const] : [])),
    );
    return rows(plan({ entries: [event({ links: urls.map(link) })] }), { tests })[0]!.links;
  };
  test.each([
    [[], 'none'],
    [['opens'], 'fine'],
    [['opens', undefined], 'untested'],
    [['moved', undefined], 'moved'],
    [['opens', 'moved', 'fails', undefined], 'fails'],
  ] as const)('%j: %s', (states, worst) => expect(state(states as never)).toBe(worst));
  test('an address of mail or telephone is not tested, and nothing is wrong with it', () =>
    expect(rows(plan({ entries: [event({ links: [link('mailto:maren@kittiwake.example')] })] }))[0]!.links).toBe('fine')); // prettier-ignore
});

test('a student reads their own alone: no draft, no other section, no other booking', () => {
  const other = 'b' as SectionId;
  const given = plan({
    entries: [
      event({ id: 'draft' as EntryId, title: 'Draft', visibility: { kind: 'draft' } }),
      event({ id: 'b' as EntryId, uid: 'b', title: 'For B', audience: [{ course: HL, sections: [other] }] }),
      event({ id: 'mine' as EntryId, uid: 'mine', title: 'For all' }),
    ],
    courses: [
      course({
        sections: [
          { id: SECTION_A, name: 'A', students: 3, patterns: [], meetings: [] },
          { id: other, name: 'B', students: 3, patterns: [], meetings: [meeting({ start: time('09:00') })] },
        ],
      }),
    ],
    sheets: [sheet([[booking({ person: 'other' as typeof IVO, personName: 'Oda Brink' })]])],
  });
  const text = JSON.stringify(rows(given, { viewer: student() as never, movable: false }));
  expect(text).toContain('For all');
  expect(text).not.toMatch(/Draft"|For B|Brink|Class 11/);
}); // prettier-ignore

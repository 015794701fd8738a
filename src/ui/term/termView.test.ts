import { describe, expect, test } from 'vitest';
import {
  HL,
  NOW,
  SECTION_A,
  at,
  assignment,
  course,
  day,
  event,
  meeting,
  plan,
  sheet,
  booking,
  staff,
  student,
  term,
  time,
} from '../../../tests/support/plans';
import type { ClosureId, EntryId } from '@/core/ids';
import type { Viewer } from '@/core/entries/viewer';
import { occurrencesOf } from '@/core/plan/occurrences';
import type { Plan } from '@/core/plan/plan';
import { seenPlan } from '@/core/plan/seenPlan';
import { requireZone } from '@/core/time/zoneData';
import { termView } from './termView';

const view = (
  given: Plan,
  viewer: Viewer = student(),
  more: Partial<Parameters<typeof termView>[0]> = {},
) => {
  const seen = seenPlan(viewer, given, NOW);
  const shown = new Set(seen.courses.map((c) => c.id));
  return termView(
    {
      plan: seen,
      term,
      occurrences: occurrencesOf(seen, requireZone),
      shown,
      mayMove: () => false,
      ...more,
    },
    day('2026-10-13'),
  );
};
/** A cell as it is when it is opened: with all its marks. */
const cell = (given: Plan, date: string, viewer?: Viewer) =>
  view(given, viewer, { open: date })
    .weeks.flatMap((week) => week.days)
    .find((d) => d.date === date)!;

test('a term of 15 weeks has a row for each, the present one marked, those before it past', () => {
  const { weeks, span, now } = view(plan());
  expect(weeks).toHaveLength(15);
  expect(span).toBe('8 Sept – 18 Dec');
  expect(now).toBe('week 6 now');
  expect(weeks.filter((week) => week.now).map((week) => week.number)).toEqual([6]);
  expect(weeks.filter((week) => week.past)).toHaveLength(5);
  expect(weeks[3]!.range).toBe('28 Sept–2 Oct');
  expect(weeks[0]!.days[0]!.inTerm).toBe(false);
  expect(weeks[0]!.days[1]!.inTerm).toBe(true);
});

test('Saturday and Sunday share a cell', () => {
  const sunday = event({ when: { kind: 'days', start: day('2026-10-18'), end: day('2026-10-19') } });
  expect(cell(plan({ entries: [sunday] }), '2026-10-17').items.map((item) => item.title)).toEqual([
    'Rope walk',
  ]);
});

test('within a day marks stand by time; what has none before them', () => {
  const given = plan({
    courses: [
      course({
        sections: [
          {
            id: SECTION_A,
            name: 'A',
            students: 20,
            patterns: [],
            meetings: [meeting({ date: day('2026-10-15') })],
          },
        ],
      }),
    ],
    entries: [
      assignment({ setOn: day('2026-10-15') }),
      event({ when: { kind: 'days', start: day('2026-10-15'), end: day('2026-10-16') } }),
    ],
    sheets: [sheet([[booking()], []])],
  });
  expect(cell(given, '2026-10-15').items.map((item) => item.kind)).toEqual([
    'event',
    'set',
    'class',
    'booking',
    'times',
    'due',
  ]);
});

test('where room is short due work and examinations stay, in their order', () => {
  const given = plan({
    entries: [
      ...['Knots', 'Rope walk', 'Splices'].map((title, n) =>
        event({ id: title as EntryId, title, when: { kind: 'timed', start: at(`2026-10-15T0${n + 7}:00`) } }),
      ),
      event({
        id: 'e9' as EntryId,
        title: 'Midterm',
        when: { kind: 'timed', start: at('2026-10-15T14:00') },
      }),
      assignment({ setOn: undefined }),
    ],
  });
  const day15 = view(given, student(), { zoom: { kind: 'six', from: 4 } })
    .weeks.flatMap((week) => week.days)
    .find((d) => d.date === '2026-10-15')!;
  expect(day15.items.map((item) => item.title)).toEqual(['Knots', 'Midterm', 'Body plan']);
  expect(day15.behind).toContain('Rope walk');
});

describe('what goes over several days', () => {
  const lasting = (id: string, start: string, end: string) =>
    event({ id: id as EntryId, title: id, when: { kind: 'days', start: day(start), end: day(end) } });
  const bars = (given: Plan, more?: Parameters<typeof view>[2]) =>
    view(given, student(), more).weeks.flatMap((week) =>
      week.days.flatMap((d) =>
        d.bars.map((bar) => [
          `week ${week.number} lane ${bar.lane} of ${week.lanes}`,
          `${bar.from}-${bar.to}`,
          `${bar.begins ? '[' : ''}${bar.item.title}${bar.ends ? ']' : ''}`,
        ]),
      ),
    );
  test('is one line in each week, and no mark of its days', () => {
    const given = plan({ entries: [lasting('Discussion', '2026-10-07', '2026-11-01')] });
    expect(bars(given)).toEqual([
      ['week 5 lane 0 of 1', '2-5', '[Discussion'],
      ['week 6 lane 0 of 1', '0-5', 'Discussion'],
      ['week 7 lane 0 of 1', '0-5', 'Discussion'],
      ['week 8 lane 0 of 1', '0-5', 'Discussion]'],
    ]);
    const days = view(given).weeks.flatMap((week) => week.days);
    expect(days.every((d) => d.items.length === 0)).toBe(true);
    expect(days.find((d) => d.date === '2026-10-15')!.during).toBe('Discussion');
  });
  test('over night, and over several days with times, too; a weekend within its column is a mark', () => {
    const trip = event({
      title: 'Excursion',
      when: { kind: 'timed', start: at('2026-10-16T16:00'), end: at('2026-10-18T12:00') },
    });
    expect(bars(plan({ entries: [trip, lasting('Open house', '2026-10-24', '2026-10-26')] }))).toEqual([
      ['week 6 lane 0 of 1', '4-5', '[Excursion]'],
    ]);
  });
  test('lies in lanes; what has no lane left is a mark of each of its days', () => {
    const given = plan({
      entries: ['A', 'B', 'C'].map((id) => lasting(id, '2026-10-13', '2026-10-15')),
    });
    expect(bars(given).map(([where]) => where)).toEqual(['week 6 lane 0 of 2', 'week 6 lane 1 of 2']);
    expect(cell(given, '2026-10-14').items.map((item) => item.title)).toEqual(['C']);
  });
});

describe('a cell with more than it has room for', () => {
  const entries = ['Blocks', 'Knots', 'Rope walk', 'Splices', 'Tackles', 'Whipping'].map((title) =>
    event({ id: title as EntryId, title, when: { kind: 'timed', start: at('2026-10-15T14:00') } }),
  );
  const titles = (more: Parameters<typeof view>[2]) => {
    const found = view(plan({ entries }), student(), more)
      .weeks.flatMap((week) => week.days)
      .find((d) => d.date === '2026-10-15')!;
    return { ...found, items: found.items.map((item) => item.title) };
  };
  test('draws one, and prints the others', () => {
    const { items, count, whole, behind } = titles({});
    expect({ items, count, whole }).toEqual({ items: ['Blocks'], count: 6, whole: false });
    expect(behind).toBe(
      'HL 14:00 Knots · HL 14:00 Rope walk · HL 14:00 Splices · HL 14:00 Tackles · HL 14:00 Whipping',
    );
  });
  test('has room for three and a count where six weeks are shown', () => {
    expect(titles({ zoom: { kind: 'six', from: 3 } }).items).toEqual(['Blocks', 'Knots', 'Rope walk']);
  });
  test('draws all when it is opened, and where one week is shown', () => {
    const all = entries.map(({ title }) => title);
    expect(titles({ open: '2026-10-15' })).toMatchObject({ items: all, whole: true, behind: undefined });
    expect(titles({ zoom: { kind: 'one', from: 6 } })).toMatchObject({ items: all, whole: false });
  });
  test('gives the line of one mark to the name of a closure', () => {
    const closure = {
      id: 'c' as ClosureId,
      term: term.id,
      name: 'Regatta',
      start: day('2026-10-15'),
      end: day('2026-10-16'),
      created: NOW,
    };
    const two = plan({ entries: entries.slice(0, 2), closures: [closure] });
    expect(view(two).weeks[5]!.days[3]).toMatchObject({ items: [], count: 2 });
  });
});

describe('each mark says itself in words', () => {
  const words = (given: Plan, date: string, viewer?: Viewer) =>
    cell(given, date, viewer).items.map((item) => item.words);
  test('due and set', () => {
    expect(words(plan({ entries: [assignment()] }), '2026-10-15')).toEqual(['HL, Due, by 17:00, Body plan']);
    expect(words(plan({ entries: [assignment()] }), '2026-10-08')).toEqual(['HL, Set, set: Body plan']);
  });
  test('a sheet, with how many of its times are taken', () => {
    expect(words(plan({ sheets: [sheet([[booking()], []])] }), '2026-10-15', staff(HL))).toEqual([
      'HL, Taken time, 12:00, Ivo Saltmarsh',
      'HL, Office hours, 12:00, Office hours, 1 of 2 times taken',
    ]);
  });
  test('a cancelled class, with the reason', () => {
    const sections = [
      {
        id: SECTION_A,
        name: 'A',
        students: 20,
        patterns: [],
        meetings: [meeting({ cancelled: 'Storm', start: time('10:00') })],
      },
    ];
    expect(words(plan({ courses: [course({ sections })] }), '2026-10-13')).toEqual([
      'HL, Class, 10:00, Class 11, Cancelled: Storm',
    ]);
  });
  test('what students do not see yet, to the staff', () => {
    expect(
      words(plan({ entries: [event({ visibility: { kind: 'draft' } })] }), '2026-10-13', staff(HL)),
    ).toEqual(['HL, Event, 14:00, Rope walk, Draft: only staff see this']);
  });
});

test('a closure names its days, and says when it only ends them early', () => {
  const closure = {
    id: 'c' as ClosureId,
    term: term.id,
    name: 'Regatta',
    start: day('2026-10-14'),
    end: day('2026-10-16'),
    created: NOW,
  };
  expect(cell(plan({ closures: [closure] }), '2026-10-15').closed).toBe('Regatta');
  expect(cell(plan({ closures: [closure] }), '2026-10-16').closed).toBeUndefined();
  expect(cell(plan({ closures: [{ ...closure, closesAt: time('13:00') }] }), '2026-10-14').closed).toBe(
    'Regatta, closed from 13:00',
  );
  // Of some sections: the day is named, and is one of classes.
  const some = plan({ closures: [{ ...closure, course: HL, sections: [SECTION_A] }] });
  expect(cell(some, '2026-10-15')).toMatchObject({ closed: 'Regatta (section A)', partly: true });
  expect(cell(plan({ closures: [closure] }), '2026-10-15').partly).toBeUndefined();
});

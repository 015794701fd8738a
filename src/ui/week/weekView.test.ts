import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  HL,
  NOW,
  SECTION_A,
  assignment,
  at,
  course,
  day,
  event,
  meeting,
  plan,
  student,
  term,
  time,
} from '../../../tests/support/plans';
import type { ClosureId, EntryId } from '@/core/ids';
import { occurrencesOf } from '@/core/plan/occurrences';
import type { Plan } from '@/core/plan/plan';
import { seenPlan } from '@/core/plan/seenPlan';
import { requireZone } from '@/core/time/zoneData';
import { weekView } from './weekView';

const wallNow = at('2026-10-13T09:30').wall;
const view = (given: Plan, date = '2026-10-15', changes: Partial<typeof term> & { weekStart?: 7 } = {}) => {
  const seen = seenPlan(student(), given, NOW);
  const all = { plan: seen, term: { ...term, ...changes }, occurrences: occurrencesOf(seen, requireZone), mayMove: () => false };
  return weekView(all, { date: day(date), now: wallNow });
}; // prettier-ignore
const timed = (start: string, end?: string, id = start) =>
  event({ id: id as EntryId, uid: id, title: id, when: { kind: 'timed', start: at(start), ...(end ? { end: at(end) } : {}) } }); // prettier-ignore
const blocks = (given: Plan, date: string) => {
  const { blocks: found } = view(given, date).days.find((d) => d.date === date)!;
  return found.map(({ from, to, lane, lanes }) => [from / 60, to / 60, `${lane + 1} of ${lanes}`]);
};

describe('a week', () => {
  test('has its number and its days, today marked, with the weeks before and after', () => {
    const { title, days, previous, next, nowMinutes } = view(plan());
    expect(title).toBe('Week 6, 12 Oct – 18 Oct');
    expect(days.map((d) => d.date)).toEqual(
      ['12', '13', '14', '15', '16', '17', '18'].map((d) => `2026-10-${d}`),
    );
    expect(days.filter((d) => d.today).map((d) => d.date)).toEqual(['2026-10-13']);
    expect([previous, next, nowMinutes]).toEqual(['2026-10-05', '2026-10-19', 9 * 60 + 30]);
  });
  test('outside the term has no number, and no line for now', () => {
    const { title, nowMinutes } = view(plan(), '2027-03-03');
    expect([title, nowMinutes]).toEqual(['1 Mar – 7 Mar', undefined]);
  });
  test('begins on Sunday where the school says so', () =>
    expect(view(plan(), '2026-10-15', { weekStart: 7 }).days[0]!.date).toBe('2026-10-11'));
  test('names what closes its days', () => {
    const closures = [{ id: 'c' as ClosureId, term: term.id, name: 'Regatta', start: day('2026-10-14'), end: day('2026-10-16'), created: NOW }];
    expect(view(plan({ closures })).days.map((d) => d.closed ?? '')).toEqual(['', '', 'Regatta', 'Regatta', '', '', '']);
  }); // prettier-ignore
});

describe('the hours that are drawn', () => {
  const hours = (...entries: ReturnType<typeof timed>[]) => view(plan({ entries })).hours;
  test('are those of a working day', () => expect(hours()).toEqual([8, 18]));
  test('reach as far as what is planned', () =>
    expect(hours(timed('2026-10-13T06:30', '2026-10-13T07:00'), timed('2026-10-14T20:15', '2026-10-14T21:30'))).toEqual([6, 22])); // prettier-ignore
  test('end with the day for what goes on over midnight', () =>
    expect(hours(timed('2026-10-13T22:00', '2026-10-14T02:00'))).toEqual([0, 24]));
});

describe('marks stand by the clock', () => {
  test('from the beginning to the end; without an end three quarters of an hour', () => {
    expect(blocks(plan({ entries: [timed('2026-10-13T10:00', '2026-10-13T11:30')] }), '2026-10-13')).toEqual([[10, 11.5, '1 of 1']]);
    expect(blocks(plan({ entries: [timed('2026-10-13T10:00')] }), '2026-10-13')).toEqual([[10, 10.75, '1 of 1']]);
  }); // prettier-ignore
  test('over midnight on both days, each its part', () => {
    const given = plan({ entries: [timed('2026-10-13T22:00', '2026-10-14T02:00')] });
    expect([blocks(given, '2026-10-13'), blocks(given, '2026-10-14')]).toEqual([[[22, 24, '1 of 1']], [[0, 2, '1 of 1']]]);
  }); // prettier-ignore
  test('a class stands where it always does when the clocks change', () => {
    const meetings = ['2026-10-29', '2026-11-05'].map((date, i) => meeting({ id: `m${i}` as never, key: date, date: day(date), start: time('10:00'), end: time('11:00') }));
    const given = plan({ courses: [course({ sections: [{ id: SECTION_A, name: 'A', students: 20, patterns: [], meetings }] })] });
    // Clocks go back on 1 November 2026 in Halifax.
    expect([blocks(given, '2026-10-29'), blocks(given, '2026-11-05')]).toEqual([[[10, 11, '1 of 1']], [[10, 11, '1 of 1']]]);
  }); // prettier-ignore
  test('days and work that is set stand above the hours, due work at its time', () => {
    const entries = [assignment({ setOn: day('2026-10-13'), due: at('2026-10-13T17:00') })];
    const found = view(plan({ entries })).days[1]!;
    expect(found.allDay.map((item) => item.kind)).toEqual(['set']);
    expect(found.blocks.map(({ item }) => item.kind)).toEqual(['due']);
  });
});

test('what overlaps stands side by side, and nothing that overlaps shares a lane', () => {
  const span = fc.tuple(fc.integer({ min: 0, max: 92 }), fc.integer({ min: 1, max: 12 }));
  const clock = (quarter: number) => `2026-10-13T${String(Math.floor(quarter / 4)).padStart(2, '0')}:${String((quarter % 4) * 15).padStart(2, '0')}`;
  fc.assert(
    fc.property(fc.array(span, { maxLength: 8 }), (spans) => {
      const entries = spans.map(([from, length], i) => timed(clock(from), from + length < 96 ? clock(from + length) : '2026-10-14T00:00', `e${i}`));
      const found = view(plan({ entries, courses: [course({ id: HL })] })).days[1]!.blocks;
      expect(found).toHaveLength(spans.length);
      for (const a of found) {
        expect(a.lane).toBeLessThan(a.lanes);
        for (const b of found)
          if (a !== b && a.lane === b.lane) expect(a.to <= b.from || b.to <= a.from).toBe(true);
      }
    }),
    { numRuns: 100 },
  );
}); // prettier-ignore

import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { describe, expect, test } from 'vitest';
import { day, time } from '../../../tests/support/plans';
import type { ClassNumber, Strand } from './classNumber';
import { STRANDS, classOf, lastOrdinal, readClassNumber, sameNumber } from './classNumber';
import type { ClosedForClasses } from './meetings';
import { fitMeetings, inTurn, plannedMeetings } from './meetings';
import type { PatternClass } from './pattern';
import { readPattern } from './typedPattern';

const term = { startsOn: day('2026-09-08'), endsOn: day('2026-12-18') };
const naming = { idOf: (key: string) => key as never, now: Temporal.Instant.fromEpochMilliseconds(0) };
const meetingsOf = (classes: readonly PatternClass[], closures: readonly ClosedForClasses[] = []) =>
  fitMeetings([], plannedMeetings(term, { patterns: [{ from: term.startsOn, classes }] }, closures), naming)
    .meetings;
const typed = (text: string) => {
  const read = readPattern(text);
  if (!read.ok) throw new Error(read.part);
  return read.classes;
};
const named = ({ ordinal, strand }: ClassNumber) => `${strand ?? 'class'} ${ordinal}`;

test('classes and labs of one week count apart', () => {
  const meetings = meetingsOf(typed('Tue Thu 10-11:20, lab Fri 14-17'));
  expect(meetings.slice(0, 6).map((m) => `${String(m.date).slice(5)} ${named(m)}`)).toEqual([
    '09-08 class 1',
    '09-10 class 2',
    '09-11 lab 1',
    '09-15 class 3',
    '09-17 class 4',
    '09-18 lab 2',
  ]);
  expect(String(classOf(meetings, { ordinal: 2, strand: 'lab' })?.date)).toBe('2026-09-18');
  expect(String(classOf(meetings, { ordinal: 2 })?.date)).toBe('2026-09-10');
  expect(lastOrdinal({ sections: [{ meetings }] }, 'lab')).toBe(15);
  expect(lastOrdinal({ sections: [{ meetings }] }, 'seminar')).toBe(0);
});

test('in the order of time the strands alternate, and a lab that was moved keeps its place among the labs', () => {
  const meetings = meetingsOf(typed('Tue 10-11, lab Fri 14-17')).map((m) =>
    m.strand && m.ordinal === 1 ? { ...m, date: day('2026-09-23'), moved: true } : m,
  );
  const byNumber = [...meetings].sort(
    (a, b) => (a.strand ?? '').localeCompare(b.strand ?? '') || a.ordinal - b.ordinal,
  );
  expect(inTurn(byNumber).slice(0, 6).map(named)).toEqual([
    'class 1',
    'class 2',
    'class 3',
    'lab 1',
    'lab 2',
    'lab 3',
  ]);
});

test('a class that becomes a lab stays itself and counts with the labs', () => {
  const before = meetingsOf(typed('Tue Fri 10-11'));
  const planned = plannedMeetings(
    term,
    { patterns: [{ from: term.startsOn, classes: typed('Tue 10-11; lab Fri 10-11') }] },
    [],
  );
  const { meetings, lost, added } = fitMeetings(before, planned, naming);
  expect([lost, added]).toEqual([[], []]);
  expect(meetings.slice(0, 4).map(named)).toEqual(['class 1', 'lab 1', 'class 2', 'lab 2']);
});

// An independent enumeration: day by day, each strand with a counter of its own.
test('whatever a week holds, each strand counts from 1 in the order of its days', () => {
  const one: fc.Arbitrary<PatternClass> = fc
    .tuple(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 8, max: 17 }), fc.option(fc.constantFrom(...STRANDS)))
    .map(([weekday, hour, strand]) => ({
      weekday,
      start: time(`${String(hour).padStart(2, '0')}:00`),
      end: time(`${String(hour).padStart(2, '0')}:50`),
      ...(strand ? { strand } : {}),
    })); // prettier-ignore
  const week = fc.uniqueArray(one, { maxLength: 6, selector: (c) => `${c.weekday} ${String(c.start)}` });
  const closedDays = fc.uniqueArray(fc.integer({ min: 0, max: 101 }), { maxLength: 8 });
  fc.assert(
    fc.property(week, closedDays, (classes, closed) => {
      const days = closed.map((n) => term.startsOn.add({ days: n }));
      const closures = days.map((start) => ({ start, end: start.add({ days: 1 }) }));
      const expected: string[] = [];
      const counts: Record<string, number> = {};
      for (let date = term.startsOn; date.until(term.endsOn).sign >= 0; date = date.add({ days: 1 })) {
        if (days.some((d) => d.equals(date))) continue;
        const own = classes.filter(({ weekday }) => weekday === date.dayOfWeek);
        for (const { start, strand = 'class' } of own.sort((a, b) => (String(a.start) < String(b.start) ? -1 : 1))) {
          counts[strand] = (counts[strand] ?? 0) + 1;
          expected.push(`${String(date)} ${String(start)} ${strand} ${counts[strand]}`);
        }
      }
      expect(
        meetingsOf(classes, closures).map((m) => `${String(m.date)} ${String(m.start)} ${named(m)}`),
      ).toEqual(expected);
    }),
  );
}); // prettier-ignore

describe('a number as it is typed', () => {
  test.each<[string, number | undefined, Strand?]>([
    ['12', 12],
    [' class 12 ', 12],
    ['lab 3', 3, 'lab'],
    ['Labs 3', 3, 'lab'],
    ['seminar2', 2, 'seminar'],
    ['0', undefined],
    ['lunch 3', undefined],
    ['lab', undefined],
    ['', undefined],
  ])('%j', (text, ordinal, strand) =>
    expect(sameNumber(readClassNumber(text), ordinal === undefined ? undefined : { ordinal, strand })).toBe(
      true,
    ),
  );
});

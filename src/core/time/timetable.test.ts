import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import type { Cycle } from './cycle';
import { cycleDays } from './cycle';
import type { ClosedForClasses, Timetable } from './meetings';
import { fitMeetings, plannedMeetings, hoursOfMeeting } from './meetings';
import { formatPattern } from './formatPattern';
import { readPattern } from './typedPattern';

const day = (text: string) => Temporal.PlainDate.from(text);
const time = (text: string) => Temporal.PlainTime.from(text);
const term = { startsOn: day('2026-09-02'), endsOn: day('2026-12-11') };
const week = (text: string) => {
  const read = readPattern(text);
  if (!read.ok) throw new Error(read.part);
  return { patterns: [{ from: term.startsOn, classes: read.classes }] };
};
const datesOf = (timetable: Timetable, closures: ClosedForClasses[] = [], cycle?: Cycle) =>
  plannedMeetings({ ...term, cycle }, timetable, closures).map(({ date }) => date.toString().slice(5));
const closed = (first: string, last: string, more: Partial<ClosedForClasses> = {}): ClosedForClasses => ({
  start: day(first),
  end: day(last).add({ days: 1 }),
  ...more,
});
const naming = { idOf: (key: string) => key as never, now: Temporal.Instant.fromEpochMilliseconds(0) };
const AB: Cycle = { days: ['A', 'B'], weekdays: [1, 2, 3, 4, 5], onClosure: 'skip', given: [] };

test('a class of every second week counts the weeks of teaching, closed ones included', () => {
  // The term begins on a Wednesday: its first, partial week is week 1.
  expect(datesOf(week('Wed 14-17, odd weeks')).slice(0, 4)).toEqual(['09-02', '09-16', '09-30', '10-14']);
  expect(datesOf(week('Wed 14-17, even weeks')).slice(0, 3)).toEqual(['09-09', '09-23', '10-07']);
  expect(datesOf(week('Wed 14-17, weeks 1, 4-5'))).toEqual(['09-02', '09-23', '09-30']);
  const without = datesOf(week('Wed 14-17, odd weeks'), [closed('2026-09-14', '2026-09-18')]);
  expect(without.slice(0, 3)).toEqual(['09-02', '09-30', '10-14']);
});

test('a class of a rotating day goes with its letter, which a closed day passes on or uses up', () => {
  expect(datesOf(week('Day A 9-10'), [], AB).slice(0, 4)).toEqual(['09-02', '09-04', '09-08', '09-10']);
  const storm = [closed('2026-09-03', '2026-09-03')];
  expect(datesOf(week('Day A 9-10'), storm, AB).slice(0, 3)).toEqual(['09-02', '09-07', '09-09']);
  expect(datesOf(week('Day A 9-10'), storm, { ...AB, onClosure: 'use' }).slice(0, 3)).toEqual([
    '09-02',
    '09-04',
    '09-08',
  ]);
  // One course's own closure moves nobody's letters, nor does a day that only closes early.
  const own = { ...storm[0]!, course: 'c' as never };
  expect(cycleDays({ ...term, cycle: AB }, [own]).get('2026-09-04')?.day).toBe('A');
  const early = closed('2026-09-03', '2026-09-03', { closesAt: time('13:00') });
  expect(cycleDays({ ...term, cycle: AB }, [early]).get('2026-09-04')?.day).toBe('A');
});

test('a storm on a rotating day moves the classes of the later turns, and each stays itself', () => {
  const before = fitMeetings([], plannedMeetings({ ...term, cycle: AB }, week('Day A 9-10'), []), naming);
  const storm = closed('2026-09-04', '2026-09-04');
  const after = fitMeetings(
    before.meetings,
    plannedMeetings({ ...term, cycle: AB }, week('Day A 9-10'), [storm]),
    naming,
  );
  // Wed 2, then Mon 7 in the place of Fri 4: its id, and with it what is planned, goes along.
  expect(after.meetings.slice(0, 3).map(({ date }) => date.toString().slice(5))).toEqual([
    '09-02',
    '09-07',
    '09-09',
  ]);
  expect(after.meetings.map(({ id }) => id)).toEqual(
    before.meetings.map(({ id }) => id).slice(0, after.meetings.length),
  );
  expect(after.lost.length).toBeLessThanOrEqual(1);
  const back = fitMeetings(
    after.meetings,
    plannedMeetings({ ...term, cycle: AB }, week('Day A 9-10'), []),
    naming,
  );
  expect(back.meetings.map(({ id, date }) => `${id} ${date}`)).toEqual(
    before.meetings.map(({ id, date }) => `${id} ${date}`),
  );
});

test('a date that is given another letter leaves the others where they are', () => {
  const given = { ...AB, given: [{ date: day('2026-09-05'), day: 'B' }, { date: day('2026-09-04'), day: 'B' }] }; // prettier-ignore
  const letters = cycleDays({ ...term, cycle: given }, []);
  expect(['02', '03', '04', '05', '06', '07'].map((d) => letters.get(`2026-09-${d}`)?.day)).toEqual([
    'A', 'B', 'B', 'B', undefined, 'B',
  ]); // prettier-ignore
});

test('a section of half a term meets between its own days, and a class outside of the pattern on its date', () => {
  const half = {
    ...week('Mon 9-10'),
    firstDay: day('2026-10-05'),
    lastDay: day('2026-10-19'),
    extraClasses: [
      { id: 'x', date: day('2026-10-10'), start: time('10:00'), end: time('12:00'), place: 'Shed 2' },
    ],
  };
  expect(datesOf(half)).toEqual(['10-05', '10-10', '10-12', '10-19']);
  expect(datesOf(half, [closed('2026-10-10', '2026-10-12')])).toEqual(['10-05', '10-19']);
});

test('a class that ends after midnight belongs to its first day, and a day that closes early takes it', () => {
  const [first] = plannedMeetings(term, week('Fri 22-1'), []);
  expect(String(first!.date)).toBe('2026-09-04');
  const meeting = { ...first!, id: 'm' as never, ordinal: 1, moved: false, sequence: 0, lastModified: Temporal.Instant.fromEpochMilliseconds(0) }; // prettier-ignore
  const { start, end } = hoursOfMeeting(meeting, 'America/Halifax');
  expect([String(start.wall), String(end.wall)]).toEqual(['2026-09-04T22:00:00', '2026-09-05T01:00:00']);
  const early = [closed('2026-09-04', '2026-09-04', { closesAt: time('15:00') })];
  expect(datesOf(week('Fri 22-1'), early)[0]).toBe('09-11');
});

test('a day that opens late takes the early classes, and one online takes none', () => {
  const late = closed('2026-09-07', '2026-09-07', { opensAt: time('10:00') });
  expect(datesOf(week('Mon 9-10; Mon 10-11'), [late]).slice(0, 2)).toEqual(['09-07', '09-14']);
  const online = closed('2026-09-07', '2026-09-07', { online: true });
  expect(datesOf(week('Mon 9-10'), [online])[0]).toBe('09-07');
});

/** The same by days since 1970 and plain arithmetic, written for this test. */
function independently(
  classes: readonly Readonly<{ weekday?: number; letter?: string; every: number; from: number }>[],
  shut: readonly number[],
  skips: boolean,
): string[] {
  const DAY = 86_400_000;
  const first = Date.parse('2026-09-02') / DAY;
  const last = Date.parse('2026-12-11') / DAY;
  const isoWeekday = (n: number) => ((n + 3) % 7) + 1;
  const monday = first - (isoWeekday(first) - 1);
  const open = Array.from({ length: last - first + 1 }, (_, i) => first + i);
  const school = open.filter((n) => isoWeekday(n) <= 5);
  const turns = skips ? school.filter((n) => !shut.includes(n - first)) : school;
  return open
    .filter((n) => !shut.includes(n - first))
    .flatMap((n) =>
      classes
        .filter(({ weekday, letter }) =>
          weekday === undefined
            ? turns.includes(n) && 'ABC'[turns.indexOf(n) % 3] === letter
            : weekday === isoWeekday(n),
        )
        .filter(({ every, from }) => {
          const number = Math.floor((n - monday) / 7) + 1;
          return number >= from && (number - from) % every === 0;
        })
        .map(() => new Date(n * DAY).toISOString().slice(5, 10)),
    );
}

test('whatever the timetable, classes are where a plain enumeration puts them', () => {
  const oneClass = fc.record({
    on: fc.oneof(
      fc.integer({ min: 1, max: 7 }).map((weekday) => ({ weekday })),
      fc.constantFrom('A', 'B', 'C').map((letter) => ({ letter })),
    ),
    every: fc.integer({ min: 1, max: 4 }),
    from: fc.integer({ min: 1, max: 5 }),
  });
  const shutDays = fc.uniqueArray(fc.integer({ min: 0, max: 100 }), { maxLength: 12 });
  fc.assert(
    fc.property(fc.array(oneClass, { maxLength: 4 }), shutDays, fc.boolean(), (list, shut, skips) => {
      const classes = list.map(({ on, every, from }) => ({
        ...('letter' in on ? { cycleDay: on.letter } : on),
        start: time('09:00'),
        end: time('10:00'),
        weeks: { every, from },
      }));
      const closures = shut.map((offset) => {
        const date = term.startsOn.add({ days: offset }).toString();
        return closed(date, date);
      });
      const cycle: Cycle = { ...AB, days: ['A', 'B', 'C'], onClosure: skips ? 'skip' : 'use' };
      const timetable = { patterns: [{ from: term.startsOn, classes }] };
      const flat = list.map(({ on, ...more }) => ({ ...on, ...more }));
      expect(datesOf(timetable, closures, cycle)).toEqual(independently(flat, shut, skips));
    }),
  );
});

test('a section that never meets is planned by teaching weeks: their numbers, whole days, without those of which no weekday is open', () => {
  const closures = [closed('2026-10-12', '2026-10-12'), closed('2026-11-09', '2026-11-13')];
  const { meetings } = fitMeetings([], plannedMeetings(term, week('by week'), closures), naming);
  // The term begins on a Wednesday, and ends on a Friday.
  expect(
    [0, 1, -1].map((i) => meetings.at(i)!).map((m) => `${m.key} ${m.ordinal} ${String(m.date)} ${String(m.until)}`),
  ).toEqual([
    'week-1 1 2026-09-02 2026-09-07',
    'week-2 2 2026-09-07 2026-09-14',
    'week-15 15 2026-12-07 2026-12-12',
  ]);
  expect(meetings.map(({ ordinal }) => ordinal)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 13, 14, 15]);
  expect(meetings.every(({ strand }) => strand === 'week')).toBe(true);
  const block = { ...week('by week'), firstDay: day('2026-10-01'), lastDay: day('2026-10-20') };
  expect(plannedMeetings(term, block, []).map(({ key, date }) => `${key} ${String(date)}`)).toEqual([
    'week-5 2026-10-01',
    'week-6 2026-10-05',
    'week-7 2026-10-12',
    'week-8 2026-10-19',
  ]);
  expect(formatPattern(week('By weeks').patterns[0]!.classes)).toBe('by week');
}); // prettier-ignore

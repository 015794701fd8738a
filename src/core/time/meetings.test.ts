import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { describe, expect, test } from 'vitest';
import type { MeetingId } from '../ids';
import { closes } from './closure';
import type { Closure } from './closure';
import type { Meeting } from './meetings';
import { fitMeetings, plannedMeetings } from './meetings';
import type { Pattern } from './pattern';
import { changePattern } from './pattern';

const day = (text: string) => Temporal.PlainDate.from(text);
const time = (text: string) => Temporal.PlainTime.from(text);
const now = Temporal.Instant.from('2026-09-01T12:00Z');
const term = { startsOn: day('2026-09-08'), endsOn: day('2026-12-18') };
type Closed = Pick<Closure, 'start' | 'end' | 'closesAt'>;
const tueThu: Pattern = {
  from: term.startsOn,
  classes: [
    { weekday: 2, start: time('10:00'), end: time('11:50') },
    { weekday: 4, start: time('10:00'), end: time('11:50') },
  ],
};
const idOf = (key: string) => `id ${key}` as MeetingId;
const fit = (before: readonly Meeting[], patterns: readonly Pattern[], closures: readonly Closed[] = []) =>
  fitMeetings(before, plannedMeetings(term, { patterns }, closures), { idOf, now });

describe('the meetings of a section on Tuesdays and Thursdays', () => {
  test('stand on every Tuesday and Thursday of the term', () => {
    const dates = plannedMeetings(term, { patterns: [tueThu] }, []).map((m) => m.date.toString());
    expect(dates).toHaveLength(30);
    expect(dates.slice(0, 4)).toEqual(['2026-09-08', '2026-09-10', '2026-09-15', '2026-09-17']);
    expect(dates.at(-1)).toBe('2026-12-17');
  });

  test('leave out closures of one day, of a week, and of an afternoon that the class runs into', () => {
    const closures: Closed[] = [
      { start: day('2026-09-15'), end: day('2026-09-16') },
      { start: day('2026-11-09'), end: day('2026-11-14') },
      { start: day('2026-10-01'), end: day('2026-10-02'), closesAt: time('11:00') },
      { start: day('2026-10-06'), end: day('2026-10-07'), closesAt: time('12:00') },
    ];
    const dates = plannedMeetings(term, { patterns: [tueThu] }, closures).map((m) => m.date.toString());
    expect(dates).toHaveLength(26);
    for (const gone of ['2026-09-15', '2026-11-10', '2026-11-12', '2026-10-01'])
      expect(dates).not.toContain(gone);
    expect(dates).toContain('2026-10-06');
  });

  test('keep what was when the pattern changes from a date on', () => {
    const monWed = {
      from: day('2026-10-12'),
      classes: [{ weekday: 1, start: time('09:00'), end: time('10:00') }],
    };
    const patterns = changePattern([tueThu], monWed);
    const dates = plannedMeetings(term, { patterns }, []).map((m) => m.date.toString());
    expect(dates.filter((d) => d < '2026-10-12')).toHaveLength(10);
    expect(dates.filter((d) => d >= '2026-10-12').every((d) => day(d).dayOfWeek === 1)).toBe(true);
    expect(changePattern(patterns, { ...tueThu, from: day('2026-09-20') })).toHaveLength(2);
  });

  test('two classes on one day have keys of their own', () => {
    const twice = { from: term.startsOn, classes: [{ weekday: 1, start: time('14:00'), end: time('15:00') }, { weekday: 1, start: time('09:00'), end: time('10:00') }] }; // prettier-ignore
    expect(plannedMeetings(term, { patterns: [twice] }, []).slice(0, 2)).toMatchObject([
      { key: '2026-09-14', start: time('09:00') },
      { key: '2026-09-14/2', start: time('14:00') },
    ]);
  });
});

test('a moved meeting keeps its new date, a cancelled one its ordinal, when closures change', () => {
  const first = fit([], [tueThu]).meetings;
  const touched = first.map((m): Meeting =>
    m.ordinal === 5
      ? { ...m, date: day('2026-09-25'), moved: true }
      : m.ordinal === 7
        ? { ...m, cancelled: 'Storm' }
        : m,
  );
  const closed = fit(touched, [tueThu], [{ start: day('2026-09-08'), end: day('2026-09-09') }]);
  expect(closed.lost.map((m) => m.ordinal)).toEqual([1]);
  expect(closed.meetings[3]).toMatchObject({
    id: touched[4]!.id,
    ordinal: 4,
    moved: true,
    date: day('2026-09-25'),
  });
  expect(closed.meetings[5]).toMatchObject({ id: touched[6]!.id, ordinal: 6, cancelled: 'Storm' });
});

const clock = fc.integer({ min: 8, max: 18 });
const pattern: fc.Arbitrary<Pattern> = fc
  .record({
    offset: fc.integer({ min: 0, max: 60 }),
    classes: fc.array(fc.record({ weekday: fc.integer({ min: 1, max: 7 }), hour: clock }), { maxLength: 4 }),
  })
  .map(({ offset, classes }) => ({
    from: term.startsOn.add({ days: offset }),
    classes: classes.map(({ weekday, hour }) => ({
      weekday,
      start: time(`${String(hour).padStart(2, '0')}:00`),
      end: time(`${String(hour + 1).padStart(2, '0')}:15`),
    })),
  }));
const closure: fc.Arbitrary<Closed> = fc
  .record({
    offset: fc.integer({ min: 0, max: 100 }),
    days: fc.integer({ min: 1, max: 8 }),
    hour: fc.option(clock),
  })
  .map(({ offset, days, hour }) => {
    const start = term.startsOn.add({ days: offset });
    return {
      start,
      end: start.add({ days }),
      ...(hour === null ? {} : { closesAt: time(`${String(hour).padStart(2, '0')}:00`) }),
    };
  });

describe('whatever the patterns and closures', () => {
  test('meetings never overlap closed hours, and ordinals have no holes', () => {
    fc.assert(
      fc.property(
        fc.array(pattern, { maxLength: 3 }),
        fc.array(closure, { maxLength: 4 }),
        (patterns, closures) => {
          const { meetings } = fit([], patterns, closures);
          expect(meetings.map((m) => m.ordinal)).toEqual(meetings.map((_, i) => i + 1));
          for (const meeting of meetings)
            for (const closed of closures) expect(closes(closed, meeting)).toBe(false);
          const places = meetings.map((m) => `${m.date}T${m.start}`);
          expect([...places].sort()).toEqual(places);
        },
      ),
    );
  });

  test('changing a pattern, or closing days, back and forth restores every meeting id', () => {
    fc.assert(
      fc.property(
        fc.array(pattern, { minLength: 1, maxLength: 2 }),
        pattern,
        fc.array(closure, { maxLength: 3 }),
        (patterns, other, closures) => {
          const first = fit([], patterns);
          const changed = fit(first.meetings, changePattern(patterns, other), closures);
          const back = fit(changed.meetings, patterns);
          const facts = (list: readonly Meeting[]) =>
            list.map(({ id, ordinal, date, start, end }) => `${id} ${ordinal} ${date} ${start} ${end}`);
          expect(facts(back.meetings)).toEqual(facts(first.meetings));
          expect(new Set(changed.meetings.map((m) => m.id)).size).toBe(changed.meetings.length);
        },
      ),
    );
  });
});

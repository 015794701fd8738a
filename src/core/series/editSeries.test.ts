import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { at, day, event } from '../../../tests/support/plans';
import { momentText } from '../time/zonedWall';
import {
  continued,
  endBefore,
  hasOccurrence,
  overrideOccurrence,
  remapped,
  ruleFrom,
  shiftedOccurrence,
  skipOccurrence,
} from './editSeries';
import type { Series } from './editSeries';
import { expandSeries } from './expand'; // prettier-ignore

/** Tuesdays at two, four times: 13, 20, 27 October and 3 November. */
const series = (rrule = 'FREQ=WEEKLY;COUNT=4'): Series => ({
  ...event({ when: { kind: 'timed', start: at('2026-10-13T14:00'), end: at('2026-10-13T15:00') } }),
  recurrence: { rrule, exdates: [], overrides: [] },
});
const span = { from: day('2026-01-01'), to: day('2027-12-31') };
const shown = (given: Series) =>
  expandSeries(given.when.start, given.recurrence, span).map(({ recurrenceId, override }) =>
    override ? `${momentText(override.start ?? recurrenceId)}*` : momentText(recurrenceId),
  );

describe('one occurrence', () => {
  test('moves by days, and again, without the others', () => {
    const moved = shiftedOccurrence(series(), at('2026-10-20T14:00'), 1);
    expect(shown(moved)).toEqual(['2026-10-13T14:00', '2026-10-21T14:00*', '2026-10-27T14:00', '2026-11-03T14:00']);
    expect(shown(shiftedOccurrence(moved, at('2026-10-20T14:00'), 1))[1]).toBe('2026-10-22T14:00*');
  });
  test('is skipped, and is no occurrence any more', () => {
    const skipped = skipOccurrence(series(), at('2026-10-20T14:00'));
    expect(shown(skipped)).toEqual(['2026-10-13T14:00', '2026-10-27T14:00', '2026-11-03T14:00']);
    expect(hasOccurrence(skipped, at('2026-10-20T14:00'))).toBe(false);
    expect(hasOccurrence(series(), at('2026-10-21T14:00'))).toBe(false);
  });
  test('that is as the series again differs no more', () => {
    const changed = overrideOccurrence(series(), at('2026-10-20T14:00'), { cancelled: 'Storm' });
    expect(changed.recurrence.overrides).toHaveLength(1);
    expect(overrideOccurrence(changed, at('2026-10-20T14:00'), { cancelled: undefined }).recurrence.overrides).toEqual([]);
  });
}); // prettier-ignore

describe('this and later', () => {
  test('ends the series before, and goes on with what is left, later differences moved along by date', () => {
    const given = skipOccurrence(overrideOccurrence(series(), at('2026-10-27T14:00'), { title: 'Guest' }), at('2026-11-03T14:00'));
    const cut = at('2026-10-20T14:00');
    expect(shown(endBefore(given, cut)!)).toEqual(['2026-10-13T14:00']);
    const rule = ruleFrom(given, cut);
    expect(rule).toBe('FREQ=WEEKLY;COUNT=3');
    const after: Series = { ...series(rule), when: { kind: 'timed', start: at('2026-10-21T09:00'), end: at('2026-10-21T10:00') } };
    expect(shown(continued(given, cut, after))).toEqual(['2026-10-21T09:00', '2026-10-28T09:00*']);
  });
  test('from the first one on is all of it', () => expect(endBefore(series(), at('2026-10-13T14:00'))).toBeUndefined());
}); // prettier-ignore

describe('all', () => {
  test('differences are matched in order under another rule; what finds no partner is named', () => {
    const given = overrideOccurrence(skipOccurrence(series(), at('2026-10-20T14:00')), at('2026-11-03T14:00'), { title: 'Last' });
    const after: Series = { ...given, when: { kind: 'timed', start: at('2026-10-15T10:00') }, recurrence: { ...given.recurrence, rrule: 'FREQ=WEEKLY;COUNT=3' } };
    const { series: result, lost } = remapped(given, after);
    expect(shown(result)).toEqual(['2026-10-15T10:00', '2026-10-29T10:00']);
    expect(lost.map(momentText)).toEqual(['2026-11-03T14:00']);
  });
  test('under the same rule nothing is lost, whatever differed', () =>
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.integer({ min: 0, max: 11 }), fc.boolean()), { maxLength: 6 }), (acts) => {
        const given = acts.reduce((s: Series, [i, skip]) => {
          const id = at('2026-10-13T14:00');
          const moment = { ...id, wall: id.wall.add({ weeks: i }) };
          return skip ? skipOccurrence(s, moment) : shiftedOccurrence(s, moment, 1);
        }, series('FREQ=WEEKLY;COUNT=12'));
        const { series: same, lost } = remapped(given, given);
        expect(lost).toEqual([]);
        expect(shown(same)).toEqual(shown(given));
      }),
    ));
}); // prettier-ignore

import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { describe, expect, test } from 'vitest';
import { TZID, assignment, at, event, instant } from '../../../tests/support/plans';
import { requireZone } from '../time/zoneData';
import type { PlainVisibility } from './entry';
import { boundariesOf, hiddenAfterOf, releaseAt, visibilityFor, withInstants } from './visibility';

const zone = requireZone(TZID);
const entry = (visibility: PlainVisibility, hidden?: string) =>
  withInstants(
    assignment({
      due: at('2026-10-15T17:00'),
      visibility: visibility as never,
      hiddenAfter: hidden ? hiddenAfterOf(at(hidden), zone) : undefined,
    }),
    zone,
  );

test.each<[string, PlainVisibility, string | undefined, string, string]>([
  ['a draft', { kind: 'draft' }, undefined, '2026-12-31T12:00', 'draft'],
  ['a draft whose time to be hidden has passed', { kind: 'draft' }, '2026-10-01T12:00', '2026-12-31T12:00', 'draft'],
  ['what is shown at once', { kind: 'visible' }, undefined, '2026-01-01T00:00', 'shown'],
  ['a minute before its time', { kind: 'from', from: at('2026-10-08T08:00') }, undefined, '2026-10-08T07:59', 'notYet'],
  ['at its time', { kind: 'from', from: at('2026-10-08T08:00') }, undefined, '2026-10-08T08:00', 'shown'],
  ['in the night before the seventh day before', { kind: 'before', days: 7 }, undefined, '2026-10-07T23:59', 'notYet'],
  ['as the seventh day before begins', { kind: 'before', days: 7 }, undefined, '2026-10-08T00:00', 'shown'],
  ['on its own day', { kind: 'before', days: 0 }, undefined, '2026-10-15T00:00', 'shown'],
  ['a minute before it is hidden', { kind: 'visible' }, '2026-10-20T12:00', '2026-10-20T11:59', 'shown'],
  ['when it is hidden', { kind: 'visible' }, '2026-10-20T12:00', '2026-10-20T12:00', 'over'],
  ['what is hidden before it was ever shown', { kind: 'from', from: at('2026-10-22T08:00') }, '2026-10-20T12:00', '2026-10-21T12:00', 'notYet'],
])('%s', (_, visibility, hidden, when, release) =>
  expect(releaseAt(entry(visibility, hidden), instant(when))).toBe(release),
); // prettier-ignore

describe('"so many days before"', () => {
  test('moves with the date it hangs on', () => {
    const moved = withInstants({ ...entry({ kind: 'before', days: 7 }), due: at('2026-10-22T17:00') }, zone);
    expect(moved.visibility).toEqual({ kind: 'before', days: 7, at: instant('2026-10-15T00:00') });
  });
  test('an exact time does not', () => {
    const from = { kind: 'from', from: at('2026-10-08T08:00') } as const;
    const moved = withInstants({ ...entry(from), due: at('2026-10-22T17:00') }, zone);
    expect(moved.visibility).toEqual({ ...from, at: instant('2026-10-08T08:00') });
  });
  test('counts days, not hours, over the change of the clocks', () => {
    // In Halifax clocks go back on 1 November 2026: the seven days before the 4th last 169 hours.
    const visibility = visibilityFor({ kind: 'before', days: 7 }, at('2026-11-04T00:00'), zone);
    expect('at' in visibility && visibility.at.until(instant('2026-11-04T00:00')).total('hours')).toBe(169);
  });
});

test('what students see changes at its boundaries and at no other time', () => {
  const wall = fc
    .integer({ min: 0, max: 60 * 24 * 90 })
    .map((minutes) => at(Temporal.PlainDateTime.from('2026-09-08T00:00').add({ minutes }).toString()));
  const visibility = fc.oneof(
    fc.constant<PlainVisibility>({ kind: 'visible' }),
    fc.constant<PlainVisibility>({ kind: 'draft' }),
    wall.map((from): PlainVisibility => ({ kind: 'from', from })),
    fc.integer({ min: 0, max: 30 }).map((days): PlainVisibility => ({ kind: 'before', days })),
  );
  fc.assert(
    fc.property(visibility, fc.option(wall, { nil: undefined }), wall, wall, (plain, hidden, one, two) => {
      const given = withInstants(
        event({ visibility: plain as never, hiddenAfter: hidden && hiddenAfterOf(hidden, zone) }),
        zone,
      );
      const [from, to] = [one, two]
        .map(({ wall: w }) => instant(w.toString()))
        .sort(Temporal.Instant.compare) as [Temporal.Instant, Temporal.Instant];
      const between = boundariesOf(given).some(
        (b) => Temporal.Instant.compare(from, b) < 0 && Temporal.Instant.compare(b, to) <= 0,
      );
      if (!between) expect(releaseAt(given, to)).toBe(releaseAt(given, from));
      for (const boundary of given.visibility.kind === 'draft' ? [] : boundariesOf(given)) {
        const [before, after] = [boundary.subtract({ milliseconds: 1 }), boundary];
        const over = hidden && releaseAt(given, boundary) === 'notYet';
        if (!over) expect([releaseAt(given, before), releaseAt(given, after)].toSorted()).not.toEqual(['shown', 'shown']);
      }
    }),
    { numRuns: 300 },
  ); // prettier-ignore
});

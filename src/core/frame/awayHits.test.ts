import { expect, test } from 'vitest';
import { MAREN, NOW, ODA, SECTION_A, booking, course, day, instant, meeting, plan, sheet } from '../../../tests/support/plans'; // prettier-ignore
import type { MeetingId } from '../ids';
import { requireZone } from '../time/zoneData';
import type { Away } from './awayHits';
import { awayHits } from './awayHits';

const meetings = [
  meeting(),
  meeting({ id: 'm2' as MeetingId, ordinal: 12, date: day('2026-10-15') }),
  meeting({ id: 'm3' as MeetingId, ordinal: 13, date: day('2026-10-20'), cancelled: 'Storm' }),
];
const given = plan({
  courses: [course({ sections: [{ id: SECTION_A, name: 'A', students: 20, patterns: [], meetings }] })],
  sheets: [sheet([[booking()], []])],
});
const hits = (changes: Partial<Away> = {}) => {
  const { classes, times } = awayHits(
    {
      person: MAREN,
      from: day('2026-10-13'),
      to: day('2026-10-20'),
      now: NOW,
      teaches: () => true,
      ...changes,
    },
    given,
    requireZone,
  );
  return [classes.map(({ meeting: { ordinal } }) => ordinal), times.length];
};

test('classes that are taught and times that are held, of those days; what is called off already is none of them', () =>
  expect(hits()).toEqual([[11, 12], 2]));
test('today only what is still to come', () =>
  expect(hits({ now: instant('2026-10-13T10:30'), to: day('2026-10-13') })).toEqual([[], 0]));
test('not what somebody else teaches or holds', () =>
  expect(hits({ person: ODA, teaches: () => false })).toEqual([[], 0]));

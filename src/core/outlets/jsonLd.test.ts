import { expect, test } from 'vitest';
import { HL, NOW, day, event, plan, student } from '../../../tests/support/plans';
import { occurrencesOf } from '../plan/occurrences';
import { seenPlan } from '../plan/seenPlan';
import { requireZone } from '../time/zoneData';
import { zonedWall } from '../time/zonedWall';
import { jsonLd } from './jsonLd';

const wall = (text: string) => zonedWall(text, 'America/Halifax');

test('courses and the events to come are said as schema.org says them, each with its offset', () => {
  const timed = (from: string, to: string) => ({ kind: 'timed' as const, start: wall(from), end: wall(to) });
  const entries = [
    event({ title: 'Over', when: timed('2026-10-12T10:00', '2026-10-12T11:00') }),
    event({ title: 'Rope walk', place: 'Shed 2', when: timed('2026-10-15T10:00', '2026-10-15T11:50') }),
    event({ title: 'Sail', when: { kind: 'days', start: day('2026-12-01'), end: day('2026-12-03') } }),
    event({ title: 'Lost', cancelled: 'wind', when: timed('2026-12-04T10:00', '2026-12-04T11:00') }),
  ].map((one, i) => ({ ...one, id: `e${i}` as typeof one.id, uid: `e${i}` }));
  const seen = seenPlan(student(), plan({ entries }), NOW);
  const { '@graph': graph } = jsonLd({
    courses: seen.courses.filter(({ id }) => id === HL),
    occurrences: occurrencesOf(seen, requireZone),
    today: day('2026-10-13'),
    zoneOf: requireZone,
  }) as { '@graph': unknown[] };
  expect(graph).toEqual([
    { '@type': 'Course', courseCode: expect.any(String) as string, name: expect.any(String) as string },
    {
      '@type': 'Event',
      name: 'Rope walk',
      startDate: '2026-10-15T10:00:00-03:00',
      endDate: '2026-10-15T11:50:00-03:00',
      eventStatus: 'https://schema.org/EventScheduled',
      location: { '@type': 'Place', name: 'Shed 2' },
    },
    {
      '@type': 'Event',
      name: 'Sail',
      startDate: '2026-12-01',
      endDate: '2026-12-02',
      eventStatus: 'https://schema.org/EventScheduled',
    },
    {
      '@type': 'Event',
      name: 'Lost',
      startDate: '2026-12-04T10:00:00-04:00',
      endDate: '2026-12-04T11:00:00-04:00',
      eventStatus: 'https://schema.org/EventCancelled',
    },
  ]);
});

import { expect, test } from 'vitest';
import { HL, NOW, SECTION_A, day, event, plan, staff, term } from '../../../tests/support/plans';
import type { ClosureId } from '../ids';
import { closureTitle } from '../plan/closureTitle';
import { occurrencesOf } from '../plan/occurrences';
import { seenPlan } from '../plan/seenPlan';
import { requireZone } from '../time/zoneData';
import { zonedWall } from '../time/zonedWall';
import { withoutPlaces } from './withoutPlaces';

test('no room and no section’s name is left, be it of one date of a series or of a closure', () => {
  const at = (text: string) => zonedWall(text, 'America/Halifax');
  const series = event({
    place: 'Shed 1',
    when: { kind: 'timed', start: at('2026-10-15T10:00') },
    recurrence: {
      rrule: 'FREQ=WEEKLY;COUNT=2',
      exdates: [],
      overrides: [{ recurrenceId: at('2026-10-22T10:00'), place: 'Shed 2' }],
    },
  });
  const closure = {
    id: 'c' as ClosureId,
    term: term.id,
    course: HL,
    sections: [SECTION_A],
    name: 'Inspection',
    start: day('2026-10-20'),
    end: day('2026-10-21'),
    created: NOW,
  };
  const seen = withoutPlaces(seenPlan(staff(HL), plan({ entries: [series], closures: [closure] }), NOW));
  const occurrences = occurrencesOf(seen, requireZone);
  expect(occurrences.filter(({ kind }) => kind === 'event')).toHaveLength(2);
  expect(JSON.stringify(occurrences)).not.toMatch(/Shed|section A/);
  expect(occurrences.flatMap((o) => (o.kind === 'closure' ? [closureTitle(o.title, o)] : []))).toEqual([
    'Inspection (some sections)',
  ]);
});

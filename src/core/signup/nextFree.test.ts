import { expect, test } from 'vitest';
import { HL, NOW, NV, booking, at, instant, plan, sheet, staff, student } from '../../../tests/support/plans';
import type { Viewer } from '../entries/viewer';
import { seenPlan } from '../plan/seenPlan';
import { requireZone } from '../time/zoneData';
import { nextFree } from './nextFree';
import type { Sheet } from './sheet';

const at12 = (given: Sheet, courses = [HL], viewer: Viewer = student()) => {
  const { sheets } = seenPlan(viewer, plan({ sheets: [given] }), NOW);
  const found = nextFree(sheets, courses, { now: NOW, zoneOf: requireZone });
  return found?.slot.interval.start.toString();
};

test('the next time that a student may take: free, of their course, in time, while the sheet is open', () => {
  const noon = instant('2026-10-15T12:00').toString();
  expect(at12(sheet([[], []]))).toBe(noon);
  expect(at12(sheet([[booking()], []]))).toBe(instant('2026-10-15T12:30').toString());
  expect(at12(sheet([[booking()]]))).toBeUndefined();
  expect(at12(sheet([[]]), [NV])).toBeUndefined();
  const rules = (changes: object) => ({ ...sheet([]).rules, ...changes });
  const opens = { ...at('2026-10-14T09:00'), at: instant('2026-10-14T09:00') };
  expect(at12(sheet([[]], { rules: rules({ opens: { wall: opens, at: opens.at } }) }))).toBeUndefined();
  const over = instant('2026-10-12T09:00');
  expect(at12(sheet([[]], { rules: rules({ closes: { wall: at('2026-10-12T09:00'), at: over } }) }))).toBeUndefined();
  // Whoever runs the sheet takes no time on it.
  expect(at12(sheet([[]]), [HL], staff(HL))).toBeUndefined();
}); // prettier-ignore

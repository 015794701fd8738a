import { expect, test } from 'vitest';
import { HL, IVO, NOW, ODA, TZID, booking, sheet, staff, term } from '../../../tests/support/plans';
import type { BookingId } from '../ids';
import { requireZone } from '../time/zoneData';
import { seenSheet } from './seenSheet';
import { sheetUse } from './sheetUse';

test('what was offered, taken and waited for is counted by week and weekday, and people once', () => {
  const twice = [[booking({ came: false })], [booking({ id: 'b2' as BookingId, came: true })]];
  const oda = booking({ id: 'b3' as BookingId, person: ODA, personName: 'Oda Tarn' });
  const first = sheet([...twice, []]);
  const slots = [
    ...seenSheet(staff(HL), first, NOW)!.slots,
    ...seenSheet(staff(HL), sheet([[oda]], {}, '2026-10-23'), NOW)!.slots,
  ];
  const waited = slots.map((slot, i) => (i === 0 ? { ...slot, waitingCount: 2 } : slot));
  expect(twice[0]![0]!.person).toBe(IVO);
  expect(sheetUse(waited, requireZone(TZID), term)).toEqual({
    // The term begins on Tuesday 8 September: 15 October is in its sixth week, 23 October in its seventh.
    weeks: [
      { key: 6, offered: 3, taken: 2, waiting: 2 },
      { key: 7, offered: 1, taken: 1, waiting: 0 },
    ],
    weekdays: [
      { key: 4, offered: 3, taken: 2, waiting: 2 },
      { key: 5, offered: 1, taken: 1, waiting: 0 },
    ],
    students: 2,
    missed: 1,
  });
});

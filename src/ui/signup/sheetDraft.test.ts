import { describe, expect, test } from 'vitest';
import { NOW } from '../../../tests/support/plans';
import { requireZone } from '@/core/time/zoneData';
import type { SheetDraft } from './sheetDraft';
import { previewSheet } from './sheetDraft';

const draft = (changes: Partial<SheetDraft> = {}): SheetDraft => ({
  title: 'Office hours', course: 'hl', day: '2026-10-15', start: '12', end: '2', length: '25', gap: '5', seats: '1', timesPerStudent: '1', place: '', meetingLink: '', ...changes,
}); // prettier-ignore
const preview = (changes: Partial<SheetDraft> = {}) =>
  previewSheet(draft(changes), requireZone('America/Halifax'), NOW);

test('what students will get is said while typing', () => {
  expect(preview()).toMatchObject({
    times: ['12:00–12:25', '12:30–12:55', '13:00–13:25', '13:30–13:55'],
    meetMinutes: 100,
    stretchMinutes: 120,
    remainderMinutes: 5,
    past: 0,
    errors: {},
    input: { stretches: [{ start: '2026-10-15T12:00', end: '2026-10-15T14:00' }], length: 25, gap: 5 },
  });
});

test('times that have begun are left out and counted', () => {
  // It is 9:00 in Halifax on the 13th.
  expect(preview({ day: '2026-10-13', start: '8', end: '10', length: '30', gap: '0' })).toMatchObject({
    times: ['09:30–10:00'],
    past: 3,
  });
});

test('a stretch that means two things is asked', () => {
  expect(preview({ start: '2', end: '4' })).toMatchObject({ times: [], readings: [{ start: '14:00', end: '16:00' }, { start: '02:00', end: '04:00' }] }); // prettier-ignore
});

describe('what is wrong is named at its field, and nothing is offered', () => {
  test.each([
    ['title', ' '],
    ['day', ''],
    ['start', 'soon'],
    ['end', 'late'],
    ['length', '4'],
    ['length', '12.5'],
    ['gap', '-1'],
    ['seats', '0'],
    ['timesPerStudent', 'many'],
    ['meetingLink', 'meet me'],
  ] as const)('%s: %j', (field, value) => {
    const shown = preview({ [field]: value });
    expect(Object.keys(shown.errors)).toContain(field);
    expect(shown.input).toBeUndefined();
  });

  test('a stretch over midnight', () => {
    expect(preview({ start: '22', end: '1a' }).errors.end).toMatch(/over midnight/);
  });
});

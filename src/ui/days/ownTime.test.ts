import { expect, test } from 'vitest';
import { at, day } from '../../../tests/support/plans';
import { requireZone } from '@/core/time/zoneData';
import { ownTimeOf, withOwnTime } from './ownTime';

const clocks = (own?: string) => ({
  locale: 'en-GB',
  ...(own ? { abroad: { own: requireZone(own), terms: [requireZone('America/Halifax')] } } : {}),
});

test.each([
  ['somebody at home', undefined, '2026-10-15T17:00', ''],
  ['somebody in Oslo', 'Europe/Oslo', '2026-10-15T12:00', '(17:00)'],
  ['somebody for whom it is another day', 'Australia/Sydney', '2026-10-15T17:00', '(Fri 07:00)'],
])('%s', (_, own, start, said) => expect(ownTimeOf(at(start), clocks(own))).toBe(said));

test('days have no clock; words come first', () => {
  expect(ownTimeOf(day('2026-10-15'), clocks('Europe/Oslo'))).toBe('');
  expect(withOwnTime('12:00–12:25', at('2026-10-15T12:00'), clocks('Europe/Oslo'))).toBe(
    '12:00–12:25 (17:00 in Oslo)',
  );
});

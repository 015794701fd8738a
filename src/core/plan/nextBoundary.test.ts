import fc from 'fast-check';
import { expect, test } from 'vitest';
import { NOW, person, plan } from '../../../tests/support/arbitraryPlan';
import { nextBoundary } from './nextBoundary';
import { seenPlan } from './seenPlan';

test('until the next boundary everybody sees the same, and from it on what a fresh look shows', () => {
  fc.assert(
    fc.property(plan, person, fc.double({ min: 0, max: 0.999, noNaN: true }), (given, viewer, share) => {
      const untilMs = nextBoundary(given, NOW);
      expect(untilMs).toBeGreaterThan(NOW.epochMilliseconds);
      const span = Math.min(untilMs, NOW.epochMilliseconds + 9e9) - NOW.epochMilliseconds;
      const later = NOW.add({ milliseconds: Math.floor(span * share) });
      const see = (at: typeof NOW) => JSON.stringify(seenPlan(viewer, given, at));
      expect(see(later)).toBe(see(NOW));
    }),
    { numRuns: 150 },
  );
});

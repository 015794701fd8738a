import type { Temporal } from 'temporal-polyfill';
import { ownBoundaries } from '../entries/ownDates';
import { boundariesOf } from '../entries/visibility';
import type { Plan } from './plan';

/**
 * When time alone next changes what somebody may see of a plan, in epoch milliseconds: an entry or a material begins or
 * ceases to be shown, an offer to somebody who waits runs out. Infinity where nothing does.
 */
export function nextBoundary({ entries, materials, sheets }: Plan, now: Temporal.Instant): number {
  const nowMs = now.epochMilliseconds;
  let next = Infinity;
  const consider = (at: Temporal.Instant | undefined) => {
    const ms = at?.epochMilliseconds ?? Infinity;
    if (ms > nowMs && ms < next) next = ms;
  };
  for (const entry of entries) {
    if (entry.kind !== 'note') boundariesOf(entry).forEach(consider);
    if (entry.kind === 'assignment') ownBoundaries(entry).forEach(consider);
  }
  for (const { visibleFrom } of materials) consider(visibleFrom?.at);
  for (const { slots } of sheets)
    for (const { waiting } of slots) for (const { offeredUntil } of waiting) consider(offeredUntil);
  return next;
}

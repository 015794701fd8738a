import type { Temporal } from 'temporal-polyfill';
import type { Moment } from '../time/zonedWall';
import { audienceOf } from './entry';
import type { CourseAudience, Entry } from './entry';
import { perSection } from './perSection';
import type { Tombstone } from './tombstone';
import { releaseAt } from './visibility';

type Component = Readonly<{ uid: string; start: Moment }>;

/** The components that feeds have for an entry. */
function componentsOf(entry: Entry): Component[] {
  if (entry.kind === 'note') return [];
  return perSection({ ...entry, release: 'shown', asStaff: false, whole: true }).flatMap(
    (variant): Component[] => {
      switch (variant.kind) {
        case 'event':
          return [{ uid: variant.uid, start: variant.when.start }];
        case 'announcement':
          return [{ uid: variant.uid, start: variant.on }];
        case 'assignment':
          return [
            { uid: variant.uid, start: variant.due },
            ...(variant.setOn ? [{ uid: variant.setUid, start: variant.setOn }] : []),
          ];
        case 'note':
          return [];
        default:
          return variant satisfies never;
      }
    },
  );
}

/**
 * What feeds that held an entry are left with after a change: a tombstone for each component that is gone for some of those
 * who saw it. What was not shown leaves nothing; who still sees it is told apart by the feed itself.
 */
export function tombstonesOf(before: Entry, after: Entry | undefined, now: Temporal.Instant): Tombstone[] {
  if (before.kind === 'note' || releaseAt(before, now) !== 'shown') return [];
  const shown = after && after.kind !== 'note' && releaseAt(after, now) === 'shown' ? after : undefined;
  const text = (part: CourseAudience) => JSON.stringify(part);
  const kept = new Set(shown ? audienceOf(shown).map(text) : []);
  const left = new Set(shown ? componentsOf(shown).map(({ uid }) => uid) : []);
  const sequence = Math.max(before.sequence + 1, after?.sequence ?? 0);
  return before.audience.flatMap((part) =>
    componentsOf(before)
      .filter(({ uid }) => !kept.has(text(part)) || !left.has(uid))
      .map(({ uid, start }) => ({ uid, part, start, sequence, goneAt: now })),
  );
}

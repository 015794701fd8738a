import type { Temporal } from 'temporal-polyfill';
import type { Moment } from '../time/zonedWall';
import { audienceOf } from './entry';
import type { CourseAudience, Entry, SharedEntry } from './entry';
import { perSection } from './perSection';
import type { Tombstone } from './tombstone';
import { releaseAt } from './visibility';

type Component = Readonly<{ uid: string; start: Moment; title: string }>;

/** The components that feeds have for an entry. */
function componentsOf(entry: Entry): Component[] {
  if (entry.kind === 'note') return [];
  return perSection({ ...entry, release: 'shown', asStaff: false, whole: true }).flatMap(
    (variant): Component[] => {
      const { title } = variant;
      switch (variant.kind) {
        case 'event':
          return [{ uid: variant.uid, start: variant.when.start, title }];
        case 'announcement':
          return [{ uid: variant.uid, start: variant.on, title }];
        case 'assignment':
          return [
            { uid: variant.uid, start: variant.due, title },
            ...(variant.setOn ? [{ uid: variant.setUid, start: variant.setOn, title }] : []),
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
      .map(({ uid, start, title }) => ({ uid, part, start, title, sequence, goneAt: now })),
  );
}

/** The same for what the clock took away: feeds that held it until it was hidden. */
export function tombstonesOfHidden(entry: SharedEntry, now: Temporal.Instant): Tombstone[] {
  const { hiddenAfter } = entry;
  if (!hiddenAfter || releaseAt(entry, now) !== 'over') return [];
  return tombstonesOf(entry, undefined, hiddenAfter.at.subtract({ milliseconds: 1 })).map((tombstone) => ({
    ...tombstone,
    goneAt: hiddenAfter.at,
  }));
}

import { Temporal } from 'temporal-polyfill';
import { audienceSeenBy } from './audience';
import type { CourseAudience, Entry, Visibility } from './entry';
import type { Viewer } from './viewer';

/** Whether students see it already: staff see the mark, students never meet anything but `shown`. */
export type Release = 'shown' | 'notYet' | 'draft';

/** An entry as one viewer may see it: out-of-sight courses and staff-only links are gone from it. */
export type SeenEntry = Entry &
  Readonly<{
    release: Release;
    asStaff: boolean;
    /** False where the entry also lies in courses that the viewer has nothing to do with. */
    whole: boolean;
  }>;

export function releaseAt(visibility: Visibility, now: Temporal.Instant): Release {
  switch (visibility.kind) {
    case 'draft':
      return 'draft';
    case 'visible':
      return 'shown';
    case 'from':
      return Temporal.Instant.compare(visibility.at, now) <= 0 ? 'shown' : 'notYet';
    default:
      return visibility satisfies never;
  }
}

/** A part of an audience as a student may know it: their own groups and name, nobody else's. */
export function ownPart(viewer: Viewer, { people, groups, ...part }: CourseAudience): CourseAudience {
  if (viewer.kind !== 'person') return part;
  const ownGroups = groups?.filter((group) => viewer.groups.has(group)) ?? [];
  return {
    ...part,
    ...(ownGroups.length > 0 ? { groups: ownGroups } : {}),
    ...(people?.includes(viewer.id) ? { people: [viewer.id] } : {}),
  };
}

/**
 * What a viewer may see of an entry, or nothing. Pages, feeds, embeds and the API all go through here;
 * queries may narrow before it, nothing widens after it.
 */
export function seenBy(viewer: Viewer, entry: Entry, now: Temporal.Instant): SeenEntry | undefined {
  const seen = audienceSeenBy(viewer, entry.audience);
  if (!seen) return undefined;
  const release = releaseAt(entry.visibility, now);
  if (!seen.asStaff && release !== 'shown') return undefined;
  const links = seen.asStaff ? entry.links : entry.links.filter((link) => !link.staffOnly);
  return {
    ...entry,
    audience: seen.asStaff ? seen.parts : seen.parts.map((part) => ownPart(viewer, part)),
    links,
    release,
    asStaff: seen.asStaff,
    whole: seen.parts.length === entry.audience.length,
  };
}

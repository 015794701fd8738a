import type { Temporal } from 'temporal-polyfill';
import { audienceSeenBy } from './audience';
import { waitingFor } from './coming';
import type { PersonId, SectionId } from '../ids';
import type { AssignmentEntry, CourseAudience, Entry, NoteEntry, SharedEntry } from './entry';
import { ownDatesOf, startOf } from './ownDates';
import type { Moment } from '../time/zonedWall';
import type { Viewer } from './viewer';
import { getsMeetingLinks, readsPart } from './viewer';
import type { Release } from './visibility';
import { releaseAt } from './visibility';

type Marks = Readonly<{
  release: Release;
  /** Read as the staff read it. */
  asStaff: boolean;
  /** False where the entry also lies in courses that the viewer has nothing to do with. */
  whole: boolean;
}>;

/**
 * An entry as one viewer may see it: out-of-sight courses, staff-only links, others' replies and extensions are gone
 * from it. `extended` is set where the viewer was given later dates; `ownStart` where dates follow from the viewer's own.
 */
export type SeenEntry = (SharedEntry & Marks & Counts & OwnMarks) | (NoteEntry & Marks);

/** How many come, how many wait for a seat, and how many of these before the viewer; how many have begun what follows own starts. */
export type Counts = Readonly<{
  comingCount?: number;
  waitingCount?: number;
  waitBefore?: number;
  begunCount?: number;
}>;
/** What is the viewer's own in a due date. */
export type OwnMarks = Readonly<{
  extended?: boolean;
  ownStart?: Readonly<{ on: Temporal.PlainDate; last: Moment }>;
}>;

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
  if (!readsPart(viewer, entry.kind === 'note' ? 'own' : 'plan')) return undefined;
  if (entry.kind === 'note')
    return viewer.kind === 'person' && viewer.id === entry.author
      ? { ...entry, release: 'shown', asStaff: false, whole: true }
      : undefined;
  const seen = audienceSeenBy(viewer, entry.audience);
  if (!seen) return undefined;
  const release = releaseAt(seen.asStaff ? entry : datedFor(viewer, entry), now);
  const marks = { release, asStaff: seen.asStaff, whole: seen.parts.length === entry.audience.length };
  if (seen.asStaff) return { ...asStaff(entry), ...marks, audience: seen.parts };
  if (release !== 'shown') return undefined;
  // One copy of each entry: a large feed has thousands, and copying is what takes long.
  return Object.assign(asReader(viewer, entry), marks, {
    audience: seen.parts.map((part) => ownPart(viewer, part)),
    links: entry.links.filter((link) => !link.staffOnly),
  });
}

function comingOf(entry: SharedEntry, viewer?: PersonId): Counts {
  if (entry.kind !== 'event' || !entry.coming) return {};
  const waiting = waitingFor(entry.coming);
  const place = waiting.findIndex(({ person }) => person === viewer);
  return {
    comingCount: entry.coming.replies.filter((reply) => reply.answer === 'coming').length,
    ...(waiting.length > 0 ? { waitingCount: waiting.length } : {}),
    ...(place < 0 ? {} : { waitBefore: place }),
  };
}

/** Who has begun is told to the staff as a number. */
const asStaff = (entry: SharedEntry) =>
  entry.kind === 'assignment' && entry.starts
    ? { ...entry, starts: undefined, begunCount: new Set(entry.starts.map(({ person }) => person)).size }
    : { ...entry, ...comingOf(entry) };

/** An entry with the dates that are one student's own, as far as these say from and until when it is seen. */
function datedFor(viewer: Viewer, entry: SharedEntry): SharedEntry {
  if (entry.kind !== 'assignment' || viewer.kind !== 'person') return entry;
  if (entry.extensions.length === 0 && !entry.starts?.length) return entry;
  const own = ownDatesOf(datesSeenBy(viewer, entry), viewer.id);
  return own ? { ...entry, ...own } : entry;
}

/** The dates of the viewer's own section, or of those that an outlet holds. */
function datesSeenBy(viewer: Viewer, entry: AssignmentEntry): AssignmentEntry {
  if (!entry.sectionDates) return entry;
  const holds =
    viewer.kind === 'person'
      ? (section: SectionId) => [...viewer.memberOf.values()].includes(section)
      : (section: SectionId) => viewer.sections.size === 0 || viewer.sections.has(section);
  const own = entry.sectionDates.filter(({ section }) => holds(section));
  const [first, ...others] = own;
  if (!first) return { ...entry, sectionDates: undefined };
  if (others.length > 0) return { ...entry, sectionDates: own };
  const { setOn, opens, due, closes } = first;
  return { ...entry, setOn, opens, due, closes, sectionDates: undefined };
}

/** A copy without what concerns others. */
function asReader(viewer: Viewer, entry: SharedEntry): SharedEntry & Counts & OwnMarks {
  const own = viewer.kind === 'person' ? viewer.id : undefined;
  switch (entry.kind) {
    case 'event':
      return {
        ...entry,
        ...comingOf(entry, own),
        meetingLink: getsMeetingLinks(viewer) ? entry.meetingLink : '',
        meetingName: getsMeetingLinks(viewer) ? entry.meetingName : '',
        meetingText: getsMeetingLinks(viewer) ? entry.meetingText : '',
        coming: entry.coming && {
          ...entry.coming,
          replies: entry.coming.replies.filter((reply) => reply.person === own),
        },
      };
    case 'assignment': {
      const dated = datesSeenBy(viewer, entry);
      const dates = own && ownDatesOf(dated, own);
      const start = entry.pacing && own && startOf(entry, own);
      return {
        ...dated,
        extensions: [],
        starts: undefined,
        ...dates,
        ...(start ? { ownStart: { on: start.on, last: dated.due } } : {}),
      };
    }
    case 'announcement':
      return { ...entry };
    default:
      return entry satisfies never;
  }
}

import { Temporal } from 'temporal-polyfill';
import type { SharedEntry } from '../entries/entry';
import { mainMoment } from '../entries/entry';
import type { CourseId } from '../ids';
import { spanOfMeeting } from '../time/meetings';
import type { Moment } from '../time/zonedWall';
import { momentText } from '../time/zonedWall';
import type { NewsKind, Occurrence } from './occurrence';
import { classTitle } from './occurrences';
import type { SeenPlan } from './seenPlan';

/** How an entry or a class stood before one act, as its reader saw it: oldest first. */
export type Earlier = Readonly<{
  id: string;
  /** Absent: it did not exist, or the reader did not see it. */
  was?: Readonly<{ start: Moment; title: string; cancelled: boolean; courses: readonly CourseId[] }>;
  ofClass?: true;
}>;

/** What is different for a viewer since they looked. `key` is the entry's id or the class's. */
export type SeenChange = Readonly<{
  key: string;
  kind: NewsKind;
  title: string;
  was?: Moment;
  now: Moment;
  courses: readonly CourseId[];
  /** It is about a class. */
  ofClass?: true;
}>;

type Now = Readonly<{
  start: Moment;
  title: string;
  cancelled: boolean;
  courses: readonly CourseId[];
  /** When it began to be shown, where that was a matter of time. */
  shownAt?: Temporal.Instant;
}>;

function changeOf(key: string, first: Earlier, now: Now): SeenChange | undefined {
  const { start, title, cancelled, courses } = now;
  const about = { key, title, now: start, courses };
  const { was } = first;
  if (!was) return { ...about, kind: 'new' };
  if (cancelled !== was.cancelled) return { ...about, kind: cancelled ? 'cancelled' : 'takesPlace' };
  if (momentText(start) !== momentText(was.start)) return { ...about, kind: 'moved', was: was.start };
  return title === was.title ? undefined : { ...about, kind: 'changed' };
}

function entryNow(entry: SharedEntry): Now {
  const { visibility } = entry;
  return {
    start: mainMoment(entry),
    title: entry.title,
    cancelled: entry.cancelled !== undefined,
    courses: entry.audience.map((part) => part.course),
    ...('at' in visibility ? { shownAt: visibility.at } : {}),
  };
}

/**
 * What has moved, was called off, is gone or is new to a viewer since an instant, by the time when it is: each thing once, from how
 * it first stood to how it stands now. What goes back and forth and ends where it was is no change.
 */
export function changesSince(
  plan: SeenPlan,
  earlier: readonly Earlier[],
  { since, now }: Readonly<{ since: Temporal.Instant; now: Temporal.Instant }>,
): SeenChange[] {
  const first = new Map<string, Earlier>();
  for (const state of earlier) if (!first.has(state.id)) first.set(state.id, state);
  const between = (at: Temporal.Instant | undefined) =>
    at && Temporal.Instant.compare(at, since) > 0 && Temporal.Instant.compare(at, now) <= 0;
  const tzidOf = new Map(plan.terms.map((term) => [term.id, term.tzid]));
  const entries = plan.entries.flatMap((entry): SeenChange[] => {
    if (entry.kind === 'note' || entry.asStaff) return [];
    const state = entryNow(entry);
    if (between(state.shownAt))
      return [{ key: entry.id, kind: 'new', title: state.title, now: state.start, courses: state.courses }];
    const before = first.get(entry.id);
    const change = before && changeOf(entry.id, before, state);
    return change ? [change] : [];
  });
  const classes = plan.classes.flatMap((seen): SeenChange[] => {
    const before = first.get(seen.meeting.id);
    if (!before?.was || seen.asStaff) return [];
    const { start } = spanOfMeeting(seen.meeting, tzidOf.get(seen.course.term) ?? 'UTC');
    const change = changeOf(seen.meeting.id, before, {
      start,
      title: classTitle(seen),
      cancelled: seen.meeting.cancelled !== undefined,
      courses: [seen.course.id],
    });
    return change && change.kind !== 'changed' ? [{ ...change, ofClass: true }] : [];
  });
  const here = new Set<string>([
    ...plan.entries.map(({ id }) => id),
    ...plan.classes.map((seen) => seen.meeting.id),
  ]);
  const gone = [...first.values()].flatMap(({ id, was, ofClass }): SeenChange[] =>
    was && !here.has(id)
      ? [
          {
            key: id,
            kind: 'gone',
            title: was.title,
            now: was.start,
            courses: was.courses,
            ...(ofClass ? { ofClass } : {}),
          },
        ]
      : [],
  );
  return [...entries, ...classes, ...gone].sort((a, b) => (momentText(a.now) < momentText(b.now) ? -1 : 1));
}

/** The occurrences of a plan with what is news about them: every view marks it. */
export function withNews(
  occurrences: readonly Occurrence[],
  changes: readonly SeenChange[],
): readonly Occurrence[] {
  if (changes.length === 0) return occurrences;
  const kindOf = new Map(changes.map(({ key, kind }) => [key, kind]));
  return occurrences.map((o) => {
    const news = kindOf.get('entry' in o ? o.entry : o.kind === 'class' ? o.meeting : '');
    return news ? { ...o, news } : o;
  });
}

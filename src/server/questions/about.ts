import { mainMoment } from '@/core/entries/entry';
import type { CourseId } from '@/core/ids';
import type { Act } from '@/core/may/acts';
import { may } from '@/core/may/may';
import type { Part } from '@/core/may/role';
import { classPath } from '@/core/plan/classPath';
import { classTitle } from '@/core/plan/occurrences';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { spanOfMeeting } from '@/core/time/meetings';
import type { Moment } from '@/core/time/zonedWall';
import type { SignedIn } from '../session/session';

/** What questions stand under, as one person sees it: an entry that is no note, or a class. */
export type About = Readonly<{
  id: string;
  title: string;
  ofClass: boolean;
  start: Moment;
  /** Where it is read, and the questions with it. */
  path: string;
  /** The courses by which this person sees it. */
  parts: readonly Part[];
  asStaff: boolean;
  tzid: string;
  /** In an archived course nobody asks any more. */
  archived: boolean;
}>;

/** What stands at an id in a plan, where questions may stand under it. */
export function aboutIn(plan: SeenPlan, id: string): About | undefined {
  const entry = plan.entries.find((each) => each.id === id);
  const archived = (course: CourseId) => plan.courses.some((each) => each.id === course && each.archived);
  if (entry) {
    if (entry.kind === 'note') return undefined;
    const parts = entry.audience.map(({ course, sections }) => ({
      course,
      ...(sections ? { sections } : {}),
    }));
    return {
      id,
      title: entry.title,
      ofClass: false,
      start: mainMoment(entry),
      path: `/e/${id}`,
      parts,
      asStaff: entry.asStaff,
      tzid: entry.tzid,
      archived: parts.every(({ course }) => archived(course)),
    };
  }
  const seen = plan.classes.find(({ meeting }) => meeting.id === id);
  if (!seen) return undefined;
  const tzid = plan.terms.find(({ id: term }) => term === seen.course.term)?.tzid ?? 'UTC';
  return {
    id,
    title: seen.plan?.title ?? classTitle(seen),
    ofClass: true,
    start: spanOfMeeting(seen.meeting, tzid).start,
    path: classPath(id),
    parts: [{ course: seen.course.id, sections: [seen.section.id] }],
    asStaff: seen.asStaff,
    tzid,
    archived: archived(seen.course.id),
  };
}

export const coursesAbout = ({ parts }: Pick<About, 'parts'>): CourseId[] => [
  ...new Set(parts.map(({ course }) => course)),
];

/** Whether somebody may do an act in one of the courses by which they see it. */
export const mayAbout = (actor: SignedIn, act: Act, { parts }: Pick<About, 'parts'>): boolean =>
  parts.some((part) => may(actor, act, { parts: [part] }).ok);

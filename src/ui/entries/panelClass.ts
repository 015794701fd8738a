import { sameNumber } from '@/core/time/classNumber';
import { classPath } from '@/core/plan/classPath';
import type { SeenClass, SeenPlan } from '@/core/plan/seenPlan';
import { classTitle } from '@/core/plan/occurrences';
import { sanitize } from '@/core/richText/sanitize';
import { entryTexts, listed } from '@/core/texts/entries';
import { dateLabel, weekAndDate } from '@/core/time/dateLabels';
import { classWhen } from '../plan/classWhen';
import type { PanelLink } from './panelData';

/** A class as its panel shows it. */
export type PanelClass = Readonly<{
  meeting: string;
  course: string;
  /** The plan that stands on it. */
  plan?: string;
  section: string;
  date: string;
  tag: string;
  color: string;
  name: string;
  when: string;
  place: string;
  cancelled?: string;
  title: string;
  description: string;
  links: readonly PanelLink[];
  pinned: boolean;
  /** The other classes on which the same plan stands. */
  others: string;
  who: string;
  editable: boolean;
  /** Whether the viewer may call it off without planning it. */
  callOff?: boolean;
  /** Its own page, which stays when it moves. */
  page: string;
  daySheet: string;
}>;

export function panelClass(seen: SeenClass, plan: SeenPlan): PanelClass {
  const { course, section, meeting, edits } = seen;
  const term = plan.terms.find((t) => t.id === course.term);
  const own = seen.plan;
  const same = own ? plan.classes.filter((c) => c.plan?.id === own.id && c.meeting.id !== meeting.id) : [];
  const concerned = own ? [seen, ...same] : plan.classes.filter((c) => c.course.id === course.id && sameNumber(c.meeting, meeting)); // prettier-ignore
  const sections = [...new Set(concerned.map((c) => c.section))];
  return {
    meeting: meeting.id,
    course: course.id,
    plan: own?.id,
    section: section.id,
    date: meeting.date.toString(),
    tag: course.tag,
    color: course.color,
    name: classTitle(seen),
    when: classWhen(
      term ? weekAndDate(term, meeting.date, plan.locale) : dateLabel(meeting.date, 'short', plan.locale),
      meeting,
      plan.locale,
    ),
    place: course.place,
    cancelled:
      meeting.cancelled === undefined ? undefined : entryTexts.cancelled({ reason: meeting.cancelled }),
    title: own?.title ?? '',
    description: sanitize(own?.description ?? ''),
    links: own?.links ?? [],
    pinned: own?.pinned ?? false,
    others: listed(same.map((c) => `${classTitle(c)}, ${dateLabel(c.meeting.date, 'short', plan.locale)}`)),
    who:
      sections.length === course.sections.length
        ? entryTexts.everyoneIn({ tag: course.tag, n: course.students })
        : entryTexts.sectionsIn(
            course.tag,
            sections.map((s) => s.name),
            sections.reduce((sum, s) => sum + s.students, 0),
          ),
    editable: edits,
    page: classPath(meeting.id),
    daySheet: `/day/${meeting.date}?course=${encodeURIComponent(course.id)}`,
  };
}

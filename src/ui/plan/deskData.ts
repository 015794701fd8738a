import { numberOf } from '@/core/time/classNumber';
import type { Viewer } from '@/core/entries/viewer';
import { isStaffOf } from '@/core/entries/viewer';
import type { SeenEntry } from '@/core/entries/seenBy';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { courseNames } from '@/core/plan/courseNames';
import type { Term } from '@/core/time/term';
import { teachingWeeks, termsBeside } from '@/core/time/term';
import { entryTexts } from '@/core/texts/entries';
import { timeLabel, weekAndDate } from '@/core/time/dateLabels';
import { momentText } from '@/core/time/zonedWall';
import type { PanelCourse } from '../entries/panelData';
import type { DeskData } from './planItem';

/** Whether the viewer may edit an entry: whoever teaches all its courses, and whoever wrote a note. */
export const mayEdit = (viewer: Viewer, entry: SeenEntry): boolean =>
  entry.kind === 'note' || (entry.whole && entry.audience.every((part) => isStaffOf(viewer, part.course)));

/** Whether anything hangs on an entry's date that could come along when it moves. */
const hasCompanions = (entry: SeenEntry): boolean =>
  entry.kind !== 'note' &&
  (entry.visibility.kind === 'from' ||
    entry.hiddenAfter !== undefined ||
    (entry.kind === 'assignment' &&
      (entry.setOn !== undefined ||
        entry.opens !== undefined ||
        entry.closes !== undefined ||
        entry.extensions.length > 0)));

type Rosters = ReadonlyMap<string, readonly Readonly<{ id: string; name: string }>[]>;

/** Everything that the panel beside a view needs before something is opened. `as` while one sees as somebody else. */
export function deskData(
  viewer: Viewer,
  plan: SeenPlan,
  {
    term,
    rosters,
    today,
    shown,
    as,
  }: {
    term: Term;
    rosters: Rosters;
    today: string;
    /** Ids of the courses that are switched on. */
    shown: ReadonlySet<string>;
    as?: string;
  },
): Omit<DeskData, 'version'> {
  const readOnly = as !== undefined;
  const beside = termsBeside(plan.terms, term);
  const endOf = new Map(plan.terms.map(({ id, endsOn }) => [id, endsOn.toString()]));
  const planned = plan.courses.filter(
    (course) => !course.archived && beside.has(course.term) && isStaffOf(viewer, course.id),
  );
  const names = courseNames(planned, plan.terms);
  const inView = planned.filter(({ id }) => shown.has(id));
  const weeks = teachingWeeks(term);
  const days = weeks.flatMap(({ first }) =>
    [0, 1, 2, 3, 4, 5, 6].map((offset) => {
      const date = first.add({ days: offset });
      return [date.toString(), weekAndDate(term, date, plan.locale)] as const;
    }),
  );
  return {
    today,
    as,
    hanging: readOnly ? [] : plan.entries.filter(hasCompanions).map((entry) => entry.id),
    classes: readOnly
      ? []
      : plan.classes
          .filter((seen) => seen.edits && beside.has(seen.course.term))
          .map(({ meeting, section, course }) => ({
            meeting: meeting.id,
            course: course.id,
            section: section.id,
            name: section.name,
            number: numberOf(meeting),
            date: momentText(meeting.date),
            start: meeting.until ? entryTexts.wholeWeek : timeLabel(meeting.start),
            end: meeting.until ? entryTexts.wholeWeek : timeLabel(meeting.end),
          })),
    courses: readOnly
      ? []
      : planned.map(({ id, tag, color, students, sections, groups, meetingLink, term: of }): PanelCourse => ({
          id,
          tag,
          title: names.get(id)!.title,
          color,
          students,
          sections: sections.map((s) => ({ id: s.id, name: s.name, students: s.students })),
          groups,
          roster: rosters.get(id) ?? [],
          meetingLink,
          termEnds: endOf.get(of) ?? term.endsOn.toString(),
        })),
    ...(inView.length === 1 && !readOnly ? { addsTo: inView[0]!.id } : {}),
    days: Object.fromEntries(days),
    notesOnly: !readOnly && planned.length === 0,
  };
}

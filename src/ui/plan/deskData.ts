import type { Viewer } from '@/core/entries/viewer';
import { isStaffOf } from '@/core/entries/viewer';
import type { SeenEntry } from '@/core/entries/seenBy';
import type { SeenPlan } from '@/core/plan/seenPlan';
import type { Term } from '@/core/time/term';
import { teachingWeeks } from '@/core/time/term';
import { weekAndDate } from '@/core/time/dateLabels';
import { panelClass } from '../entries/panelClass';
import type { PanelCourse } from '../entries/panelData';
import { panelEntry } from '../entries/panelView';
import type { DeskData } from './planItem';

/** Whether the viewer may edit an entry: whoever teaches all its courses, and whoever wrote a note. */
export const mayEdit = (viewer: Viewer, entry: SeenEntry): boolean =>
  entry.kind === 'note' || (entry.whole && entry.audience.every((part) => isStaffOf(viewer, part.course)));

type Rosters = ReadonlyMap<string, readonly Readonly<{ id: string; name: string }>[]>;

/** Everything that the panel beside a view needs. `readOnly` while one sees as somebody else. */
export function deskData(
  viewer: Viewer,
  plan: SeenPlan,
  { term, rosters, readOnly }: { term: Term; rosters: Rosters; readOnly: boolean },
): DeskData {
  const planned = plan.courses.filter((course) => !course.archived && isStaffOf(viewer, course.id));
  const weeks = teachingWeeks(term);
  const days = weeks.flatMap(({ first }) =>
    [0, 1, 2, 3, 4, 5, 6].map((offset) => {
      const date = first.add({ days: offset });
      return [date.toString(), weekAndDate(term, date, plan.locale)] as const;
    }),
  );
  return {
    entries: plan.entries.map((entry) =>
      panelEntry(entry, {
        courses: plan.courses,
        term,
        locale: plan.locale,
        mayEdit: !readOnly && mayEdit(viewer, entry),
      }),
    ),
    classes: plan.classes.map((seen) => {
      const cls = panelClass(seen, plan);
      return readOnly ? { ...cls, editable: false } : cls;
    }),
    courses: readOnly
      ? []
      : planned.map(({ id, tag, title, color, students, sections, groups, meetingLink }): PanelCourse => ({
          id,
          tag,
          title,
          color,
          students,
          sections: sections.map((s) => ({ id: s.id, name: s.name, students: s.students })),
          groups,
          roster: rosters.get(id) ?? [],
          meetingLink,
          termEnds: term.endsOn.toString(),
        })),
    days: Object.fromEntries(days),
    notesOnly: !readOnly && planned.length === 0,
  };
}

import type { CourseAudience } from './entry';
import { isEveryone } from './entry';
import type { Viewer } from './viewer';
import { isStaffOf, readsAsStaff } from './viewer';

/** Whether a part of an audience reaches the viewer as a student or reader; staff membership does not count here. */
function reaches(part: CourseAudience, viewer: Viewer): boolean {
  switch (viewer.kind) {
    case 'person': {
      if (!viewer.memberOf.has(part.course)) return false;
      if (isEveryone(part)) return true;
      const own = viewer.memberOf.get(part.course);
      return (
        (own !== undefined && part.sections?.includes(own)) ||
        (part.groups ?? []).some((group) => viewer.groups.has(group)) ||
        (part.people ?? []).includes(viewer.id)
      );
    }
    case 'public':
    case 'roster':
      return (
        viewer.courses.has(part.course) &&
        // What is meant for groups or for named students goes into no outlet that others read.
        (isEveryone(part) || (part.sections ?? []).some((section) => viewer.sections.has(section)))
      );
    default:
      return viewer satisfies never;
  }
}

/** Whether a part is read as staff: by whoever plans the course, and by whoever helps in one of its sections. */
function readsPart(viewer: Viewer, part: CourseAudience): boolean {
  if (!readsAsStaff(viewer, part.course)) return false;
  const help = viewer.kind === 'person' ? viewer.helps.get(part.course) : undefined;
  if (isStaffOf(viewer, part.course) || !help?.sections || !part.sections) return true;
  return part.sections.some((section) => help.sections!.has(section));
}

/** `asStaff`: read as the staff read it. */
export type AudienceSeen = Readonly<{ asStaff: boolean; parts: readonly CourseAudience[] }>;

/** The parts of an audience that concern the viewer, and whether as staff; undefined when none does. */
export function audienceSeenBy(
  viewer: Viewer,
  audience: readonly CourseAudience[],
): AudienceSeen | undefined {
  const asStaff = audience.filter((part) => readsPart(viewer, part));
  const parts = audience.filter((part) => readsPart(viewer, part) || reaches(part, viewer));
  return parts.length > 0 ? { asStaff: asStaff.length > 0, parts } : undefined;
}

import type { CourseId, SectionId } from '@/core/ids';
import type { CourseAudience } from '@/core/entries/entry';

type AudienceRow = { course_id: string; sections: string | null };

export function toAudience(row: AudienceRow): CourseAudience {
  const course = row.course_id as CourseId;
  return row.sections === null ? { course } : { course, sections: JSON.parse(row.sections) as SectionId[] };
}

export const fromAudience = (part: CourseAudience): AudienceRow => ({
  course_id: part.course,
  sections: part.sections ? JSON.stringify(part.sections) : null,
});

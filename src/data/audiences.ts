import type { CourseId } from '@/core/ids';
import type { CourseAudience } from '@/core/entries/entry';
import type { AudienceColumns } from './rows';

export function toAudience(row: AudienceColumns): CourseAudience {
  const list = <T>(text: string | null): readonly T[] | undefined =>
    text === null ? undefined : (JSON.parse(text) as T[]);
  const part: { -readonly [K in keyof CourseAudience]: CourseAudience[K] } = {
    course: row.course_id as CourseId,
  };
  if (row.sections !== null) part.sections = list(row.sections);
  if (row.course_groups !== null) part.groups = list(row.course_groups);
  if (row.people !== null) part.people = list(row.people);
  return part;
}

const text = (list: readonly string[] | undefined) => (list ? JSON.stringify(list) : null);

export const fromAudience = (part: CourseAudience): AudienceColumns => ({
  course_id: part.course,
  sections: text(part.sections),
  course_groups: text(part.groups),
  people: text(part.people),
});

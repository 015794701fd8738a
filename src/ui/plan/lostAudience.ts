import { audienceWords } from '@/core/plan/audienceWords';
import type { CourseChoice, EntryDraft } from '../entries/entryDraft';
import type { PanelCourse } from '../entries/panelData';

const isEveryone = ({ sections, groups, people }: CourseChoice) =>
  sections.length + groups.length + people.length === 0;
const without = (list: readonly string[], kept: readonly string[]) => {
  const gone = list.filter((id) => !kept.includes(id));
  return gone.length > 0 ? gone : undefined;
};

/** For whom a changed draft would no longer be, in words; undefined when nobody loses it. */
export function lostAudience(
  before: EntryDraft,
  after: EntryDraft,
  courses: readonly PanelCourse[],
): string | undefined {
  const parts = Object.entries(before.courses).flatMap(([course, had]) => {
    const has = after.courses[course];
    if (!has) return [{ course, sections: had.sections.length > 0 ? had.sections : undefined }];
    if (isEveryone(has)) return [];
    const all = courses.find((c) => c.id === course)?.sections.map((section) => section.id) ?? [];
    const sections = without(isEveryone(had) ? all : had.sections, has.sections);
    const groups = without(had.groups, has.groups);
    const people = without(had.people, has.people);
    return sections || groups || people ? [{ course, sections, groups, people }] : [];
  });
  return parts.length > 0 ? audienceWords(parts, courses) : undefined;
}

import { entryTexts, listed } from '../texts/entries';

type Part = Readonly<{
  course: string;
  sections?: readonly string[];
  groups?: readonly string[];
  people?: readonly string[];
}>;
type Named = Readonly<{ id: string; name: string; students: number }>;
type Counted = Readonly<{
  id: string;
  tag: string;
  students: number;
  sections: readonly Named[];
  groups: readonly Named[];
}>;

/**
 * Who will see an entry, in words with the number: `38 students in sections A and B of HL`. Students who are in two
 * of the courses are counted in each; the sentence names the courses one by one. Empty when no course is named.
 */
export function audienceWords(audience: readonly Part[], courses: readonly Counted[]): string {
  return listed(
    audience.flatMap(({ course: id, sections, groups, people }) => {
      const course = courses.find((c) => c.id === id);
      if (!course) return [];
      if (!sections && !groups && !people)
        return [entryTexts.everyoneIn({ tag: course.tag, n: course.students })];
      const chosen = (list: readonly Named[], ids: readonly string[] | undefined) => {
        const found = list.filter((item) => ids?.includes(item.id));
        return {
          names: found.map((item) => item.name),
          total: found.reduce((sum, item) => sum + item.students, 0),
        };
      };
      const inSections = chosen(course.sections, sections);
      const inGroups = chosen(course.groups, groups);
      return [
        ...(sections ? [entryTexts.sectionsIn(course.tag, inSections.names, inSections.total)] : []),
        ...(groups ? [entryTexts.groupsIn(course.tag, inGroups.names, inGroups.total)] : []),
        ...(people ? [entryTexts.namedIn({ tag: course.tag, n: people.length })] : []),
      ];
    }),
  );
}

import { entryTexts, listed } from '../texts/entries';

type Part = Readonly<{ course: string; sections?: readonly string[] }>;
type Counted = Readonly<{
  id: string;
  tag: string;
  students: number;
  sections: readonly Readonly<{ id: string; name: string; students: number }>[];
}>;

/**
 * Who will see an entry, in words with the number: `38 students in sections A and B of HL`. Students who are in two
 * of the courses are counted in each; the sentence names the courses one by one. Empty when no course is named.
 */
export function audienceWords(audience: readonly Part[], courses: readonly Counted[]): string {
  return listed(
    audience.flatMap((part) => {
      const course = courses.find((c) => c.id === part.course);
      if (!course) return [];
      if (!part.sections) return [entryTexts.everyoneIn(course.tag, course.students)];
      const sections = course.sections.filter((s) => part.sections?.includes(s.id));
      const total = sections.reduce((sum, s) => sum + s.students, 0);
      const names = sections.map((s) => s.name);
      return [entryTexts.sectionsIn(course.tag, names, total)];
    }),
  );
}

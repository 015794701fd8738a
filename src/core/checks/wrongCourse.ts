import { escapeRegExp } from '../escapeRegExp';
import { checkTexts } from '../texts/checks';
import type { Check } from './check';
import { OPEN } from './check';

/** A title that names the tag or code of a course which the entry is not for. */
export const wrongCourse: Check = {
  id: 'wrongCourse',
  find: ({ entries, courses }) => {
    const names = courses.map((course) => ({
      course,
      pattern: new RegExp(
        `(?<![\\p{L}\\d])(?:${[course.tag, course.code].map((text) => escapeRegExp(text)).join('|')})(?![\\p{L}\\d])`,
        'u',
      ),
    }));
    return entries.flatMap((entry) => {
      const named = names.filter(({ pattern }) => pattern.test(entry.title)).map(({ course }) => course);
      const foreign = named.filter((course) => !entry.audience.some((part) => part.course === course.id));
      // Naming one of its own, too, it speaks of both.
      const [first] = foreign;
      if (!first || foreign.length < named.length) return [];
      return [
        {
          check: 'wrongCourse',
          about: { entry },
          why: checkTexts.wrongCourse({ tag: first.tag }),
          remedy: OPEN(checkTexts.chooseCourse),
        },
      ];
    });
  },
};

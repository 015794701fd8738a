import { checkTexts } from '../texts/checks';
import type { Check } from './check';
import { OPEN } from './check';

/** A course with something planned that is in no feed and no embed. */
export const courseUnpublished: Check = {
  id: 'courseUnpublished',
  find: ({ courses, entries, outlets }) =>
    courses
      .filter(
        ({ id }) =>
          entries.some((entry) => entry.audience.some((part) => part.course === id)) &&
          !outlets.some((outlet) => outlet.courses.includes(id)),
      )
      .map(({ id, code, title }) => ({
        check: 'courseUnpublished',
        about: {
          place: {
            id,
            title,
            courses: [id],
            href: `/publish/new?kind=feed&course=${encodeURIComponent(code)}`,
            version: '',
          },
        },
        why: checkTexts.courseUnpublished,
        remedy: OPEN(checkTexts.publishIt),
      })),
};

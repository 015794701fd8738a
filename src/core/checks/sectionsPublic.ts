import { checkTexts } from '../texts/checks';
import type { Check } from './check';
import { OPEN } from './check';
import { placeOf } from './checkedOutlets';

/** A public outlet that holds what is for single sections. */
export const sectionsPublic: Check = {
  id: 'sectionsPublic',
  find: ({ outlets, courses, entries }) =>
    outlets
      .filter(({ audience, sections, courses: own }) => {
        const several = courses.filter((course) => own.includes(course.id) && course.sections.length > 1);
        const ticked = several.flatMap((course) => course.sections).filter(({ id }) => sections.includes(id));
        return (
          audience === 'public' &&
          ticked.length > 0 &&
          entries.some((entry) =>
            entry.audience.some(
              (part) => own.includes(part.course) && part.sections?.some((id) => sections.includes(id)),
            ),
          )
        );
      })
      .map((outlet) => ({
        check: 'sectionsPublic',
        about: { place: placeOf(outlet) },
        why: checkTexts.sectionsPublic,
        remedy: OPEN(checkTexts.changeOutlet),
      })),
};

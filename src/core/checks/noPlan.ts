import { checkTexts } from '../texts/checks';
import type { Check } from './check';
import { OPEN } from './check';
import { daysBetween } from './checkedDates';

const SOON = 7;

/** A class in the next seven days without a plan, in a course that plans its classes. */
export const noPlan: Check = {
  id: 'noPlan',
  find: ({ classes, today }) => {
    const planning = new Set(classes.filter(({ plan }) => plan).map(({ course }) => course.id));
    return classes
      .filter(({ course, meeting, plan }) => {
        const days = daysBetween(today, meeting.date);
        return (
          !plan && planning.has(course.id) && meeting.cancelled === undefined && days >= 0 && days <= SOON
        );
      })
      .map((seen) => ({
        check: 'noPlan',
        about: { seen },
        why: checkTexts.noPlan,
        remedy: OPEN(checkTexts.planIt),
      }));
  },
};

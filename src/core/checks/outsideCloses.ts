import { Temporal } from 'temporal-polyfill';
import { isOn } from '../time/closure';
import { checkTexts } from '../texts/checks';
import { dateLabel } from '../time/dateLabels';
import type { Check } from './check';
import { OPEN } from './check';

/** A day of which an outside calendar says that there are no classes, and that is open here, with classes on it. */
export const outsideCloses: Check = {
  id: 'outsideCloses',
  find: ({ calendars, closures, classes, today, term, locale }) =>
    calendars.flatMap(({ id, name, courses, saysClosed }) =>
      saysClosed.flatMap(({ day, title }) => {
        const own = classes.filter(
          ({ course, meeting }) =>
            courses.includes(course.id) && meeting.date.equals(day) && meeting.cancelled === undefined,
        );
        if (Temporal.PlainDate.compare(day, today) < 0 || own.length === 0) return [];
        if (closures.some((closure) => closure.term === term.id && !closure.sections && isOn(closure, day)))
          return [];
        const query = new URLSearchParams({ day: day.toString(), name: title });
        const place = { id: `${id} ${day}`, title, courses, href: `/close?${query}`, version: title };
        const why = checkTexts.outsideCloses({
          calendar: name,
          day: dateLabel(day, 'short', locale),
          classes: own.length,
        });
        return [{ check: 'outsideCloses', about: { place }, why, remedy: OPEN(checkTexts.closeIt) }];
      }),
    ),
};

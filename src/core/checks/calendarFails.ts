import { Temporal } from 'temporal-polyfill';
import { checkTexts } from '../texts/checks';
import type { Check } from './check';
import { OPEN } from './check';

const A_DAY = { hours: 24 } as const;

/** An outside calendar whose source has not answered for a day. */
export const calendarFails: Check = {
  id: 'calendarFails',
  find: ({ calendars, now }) =>
    calendars
      .filter(
        ({ failingSince }) => failingSince && Temporal.Instant.compare(failingSince.add(A_DAY), now) <= 0,
      )
      .map(({ id, name, courses, failingSince }) => ({
        check: 'calendarFails',
        about: {
          place: { id, title: name, courses, href: '/calendars', version: String(failingSince) },
        },
        why: checkTexts.calendarFails,
        remedy: OPEN(checkTexts.lookAtCalendar),
      })),
};

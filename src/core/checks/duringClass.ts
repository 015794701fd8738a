import { groupBy } from '../groupBy';
import { checkTexts } from '../texts/checks';
import { rangeLabel } from '../time/dateLabels';
import { hoursOfMeeting } from '../time/meetings';
import { momentText } from '../time/zonedWall';
import type { Check } from './check';
import { OPEN } from './check';
import { dayOfEntry, takesPlace } from './checkedDates';
import { hoursOf, overlaps } from './overlap';

/** An event during a class of its own course, in a section that it is for. */
export const duringClass: Check = {
  id: 'duringClass',
  find: ({ entries, classes, term, locale }) => {
    const byDay = groupBy(
      classes.filter(({ meeting }) => meeting.cancelled === undefined && !meeting.until),
      ({ meeting }) => momentText(meeting.date),
    );
    return entries.filter(takesPlace).flatMap((entry) => {
      const hours = hoursOf(entry);
      if (!hours) return [];
      const hit = (byDay.get(momentText(dayOfEntry(entry))) ?? []).find(({ course, section, meeting }) => {
        const part = entry.audience.find((p) => p.course === course.id);
        if (!part || part.groups || part.people || (part.sections && !part.sections.includes(section.id)))
          return false;
        const { start, end } = hoursOfMeeting(meeting, term.tzid);
        // What takes the whole class is the class: a visit, an examination.
        const whole = hours.start.equals(start.wall) && hours.end.equals(end.wall);
        return !whole && overlaps(hours, { start: start.wall, end: end.wall });
      });
      if (!hit) return [];
      const when = rangeLabel(hit.meeting.start, hit.meeting.end, locale);
      return [
        {
          check: 'duringClass',
          about: { entry },
          why: checkTexts.duringClass({ tag: hit.course.tag, when }),
          remedy: OPEN(checkTexts.chooseTime),
        },
      ];
    });
  },
};

import { groupBy } from '../groupBy';
import { checkTexts } from '../texts/checks';
import { entryTexts } from '../texts/entries';
import { rangeLabel } from '../time/dateLabels';
import { spanOfMeeting } from '../time/meetings';
import { momentText } from '../time/zonedWall';
import type { Check } from './check';
import { OPEN } from './check';
import { overlaps } from './overlap';

/** Classes of two courses in one room at one time; the later of the two is found. */
export const roomClash: Check = {
  id: 'roomClash',
  find: ({ classes, term, locale }) => {
    const hoursOf = (seen: (typeof classes)[number]) => {
      const { start, end } = spanOfMeeting(seen.meeting, term.tzid);
      return { start: start.wall, end: end.wall };
    };
    const inRooms = groupBy(
      classes.filter(
        ({ meeting, place }) =>
          meeting.cancelled === undefined && place.trim() !== '' && place !== entryTexts.online,
      ),
      ({ meeting, place }) => `${momentText(meeting.date)} ${place.trim().toLowerCase()}`,
    );
    return [...inRooms.values()].flatMap((here) =>
      here.flatMap((seen, i) => {
        const other = here
          .slice(0, i)
          .find((before) => before.course.id !== seen.course.id && overlaps(hoursOf(before), hoursOf(seen)));
        if (!other) return [];
        const when = rangeLabel(other.meeting.start, other.meeting.end, locale);
        return [
          {
            check: 'roomClash',
            about: { seen },
            why: checkTexts.roomClash(seen.place, other.course.tag, when),
            remedy: OPEN(checkTexts.chooseRoom),
          },
        ];
      }),
    );
  },
};

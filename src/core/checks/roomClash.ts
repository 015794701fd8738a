import { groupBy } from '../groupBy';
import type { SeenClass } from '../plan/seenPlan';
import { checkTexts } from '../texts/checks';
import { entryTexts } from '../texts/entries';
import { rangeLabel } from '../time/dateLabels';
import { hoursOfMeeting } from '../time/meetings';
import type { Meeting } from '../time/meetings';
import { momentText } from '../time/zonedWall';
import type { Check } from './check';
import { OPEN } from './check';
import { overlaps } from './overlap';

/** A room as it is compared: however it is typed. */
export const roomName = (place: string): string => place.trim().toLowerCase();

/** The rooms that some classes are in; a day that is online has none. */
export const roomsOf = (classes: readonly SeenClass[]): SeenClass[] =>
  classes.filter(
    ({ meeting, place }) =>
      meeting.cancelled === undefined && !meeting.until && place.trim() !== '' && place !== entryTexts.online,
  );

/** Classes of two courses in one room at one time, a colleague's among them; of one's own the later of the two is found. */
export const roomClash: Check = {
  id: 'roomClash',
  find: ({ classes, taken, term, locale }) => {
    const hoursOf = (meeting: Pick<Meeting, 'date' | 'start' | 'end'>) => {
      const { start, end } = hoursOfMeeting(meeting, term.tzid);
      return { start: start.wall, end: end.wall };
    };
    const key = (date: Meeting['date'], place: string) => `${momentText(date)} ${roomName(place)}`;
    const others = groupBy(taken, ({ date, place }) => key(date, place));
    const inRooms = groupBy(roomsOf(classes), ({ meeting, place }) => key(meeting.date, place));
    return [...inRooms].flatMap(([room, here]) =>
      here.flatMap((seen, i) => {
        const own = here
          .slice(0, i)
          .filter((before) => before.course.id !== seen.course.id)
          .map(({ course, meeting }) => ({ ...meeting, code: course.tag }));
        const other = [...own, ...(others.get(room) ?? [])].find((before) =>
          overlaps(hoursOf(before), hoursOf(seen.meeting)),
        );
        if (!other) return [];
        const when = rangeLabel(other.start, other.end, locale);
        return [
          {
            check: 'roomClash',
            about: { seen },
            why: checkTexts.roomClash({ place: seen.place, tag: other.code, when }),
            remedy: OPEN(checkTexts.chooseRoom),
          },
        ];
      }),
    );
  },
};

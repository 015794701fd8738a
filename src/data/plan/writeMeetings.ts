import type { EventPayload, EventType } from '@/core/events/event';
import type { CourseId, SectionId } from '@/core/ids';
import { timeLabel } from '@/core/time/dateLabels';
import type { Meeting } from '@/core/time/meetings';
import type { Change } from '../history/change';
import { grown } from '../history/grown';
import { fromMeeting } from './frameRows';

type Place = Readonly<{ course: CourseId; section: SectionId }>;
type ClassStates = NonNullable<EventPayload['class']>;

/** A class as events keep it. `title`: of the plan that stood on it, where the event is about that. */
export const stateOfClass = (meeting: Meeting, title = ''): ClassStates['before'] => ({
  date: meeting.date.toString(),
  start: meeting.until ? '' : timeLabel(meeting.start),
  title,
  cancelled: meeting.cancelled ?? null,
});

function happened(before: Meeting | undefined, after: Meeting | undefined): EventType | undefined {
  if (!before || !after) return before ? 'classGone' : 'classReinstated';
  if (before.cancelled === undefined && after.cancelled !== undefined) return 'classCalledOff';
  if (before.cancelled !== undefined && after.cancelled === undefined) return 'classReinstated';
  const moved = !before.date.equals(after.date) || !before.start.equals(after.start) || !before.end.equals(after.end); // prettier-ignore
  return moved ? 'classMoved' : undefined;
}

/** Says what happened to a class: how it stood, and how it stands; a class that is there again takes place after all. */
export function tellOfClass(
  change: Change,
  { course, section }: Place,
  before: Meeting | undefined,
  after: Meeting | undefined,
): void {
  const type = happened(before, after);
  const known = before ?? after;
  if (!type || !known) return;
  const states = {
    section,
    before: before ? stateOfClass(before) : null,
    after: after ? stateOfClass(after) : null,
  };
  change.tell({ type, subject: known.id, scopes: [`course:${course}`], payload: { class: states } });
}

/** Writes a class over what was there. */
export async function changeMeetingRow(
  change: Change,
  place: Place,
  { before, after }: Readonly<{ before: Meeting; after: Meeting }>,
): Promise<Meeting> {
  const { sequence, lastModified } = grown(change, { ...before, created: before.lastModified });
  const meeting = { ...after, sequence, lastModified };
  await change.update('meetings', meeting.id, fromMeeting(meeting, place.section));
  change.concerns(`course:${place.course}`);
  tellOfClass(change, place, before, meeting);
  return meeting;
}

export async function removeMeeting(change: Change, place: Place, meeting: Meeting): Promise<void> {
  await change.remove('meetings', meeting.id);
  change.concerns(`course:${place.course}`);
  tellOfClass(change, place, meeting, undefined);
}

export async function addMeetings(
  change: Change,
  { course, section }: Place,
  meetings: readonly Meeting[],
): Promise<void> {
  await change.insert(
    'meetings',
    meetings.map((meeting) => fromMeeting(meeting, section)),
  );
  change.concerns(`course:${course}`);
}

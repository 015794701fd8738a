import type { SectionId } from '@/core/ids';
import type { Meeting } from '@/core/time/meetings';
import type { Change } from '../history/change';
import { grown } from '../history/grown';
import { fromMeeting } from './frameRows';

/** A class of a section, as it was and as it is to be. */
type MeetingChange = Readonly<{ section: SectionId; before: Meeting; after: Meeting }>;

/** Writes a class over what was there; whoever calls says which course it concerns. */
export async function changeMeetingRow(change: Change, { section, before, after }: MeetingChange): Promise<Meeting> {
  const { sequence, lastModified } = grown(change, { ...before, created: before.lastModified });
  const meeting = { ...after, sequence, lastModified };
  await change.update('meetings', meeting.id, fromMeeting(meeting, section));
  return meeting;
} // prettier-ignore

export async function addMeetings(
  change: Change,
  section: SectionId,
  meetings: readonly Meeting[],
): Promise<void> {
  await change.insert(
    'meetings',
    meetings.map((meeting) => fromMeeting(meeting, section)),
  );
}

import type { CourseId } from '@/core/ids';
import { concernsSection } from '@/core/time/closure';
import type { Meeting } from '@/core/time/meetings';
import { fitMeetings, plannedMeetings } from '@/core/time/meetings';
import { Temporal } from 'temporal-polyfill';
import type { Change } from '@/data/history/change';
import { addMeetings, changeMeetingRow, removeMeeting } from '@/data/plan/writeMeetings';
import { loadFrame } from '@/data/plan/loadPlan';
import { followClasses } from '@/data/entries/writeEntries';
import { meetingIdOf } from './meetingId';

/**
 * Fits the meetings of the courses to their patterns and closures as these now stand; due dates that follow a class come
 * along. Answers the meetings that are gone.
 */
export async function refitMeetings(change: Change, courses: readonly CourseId[]): Promise<Meeting[]> {
  const frame = await loadFrame(change, courses);
  const now = Temporal.Instant.fromEpochMilliseconds(change.nowMs);
  const lost: Meeting[] = [];
  for (const course of frame.courses) {
    const term = frame.terms.find((t) => t.id === course.term);
    if (!term) continue;
    for (const section of course.sections) {
      const closures = frame.closures.filter(
        (c) => c.term === term.id && concernsSection(c, course.id, section.id),
      );
      const planned = plannedMeetings(term, section, closures);
      const fitted = fitMeetings(section.meetings, planned, {
        idOf: (key) => meetingIdOf(section.id, key),
        now,
      });
      const place = { course: course.id, section: section.id };
      for (const meeting of fitted.lost) await removeMeeting(change, place, meeting);
      for (const after of fitted.changed) {
        const before = section.meetings.find(({ id }) => id === after.id)!;
        await changeMeetingRow(change, place, { before, after });
      }
      await addMeetings(change, place, fitted.added);
      lost.push(...fitted.lost);
    }
    change.concerns(`course:${course.id}`);
  }
  await followClasses(change, courses);
  return lost;
}

import type { MeetingInput } from '@/core/frame/frameInput';
import type { MeetingId, SectionId } from '@/core/ids';
import { may } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { entryTexts } from '@/core/texts/entries';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { closes, concernsSection } from '@/core/time/closure';
import { dateLabel, timeLabel } from '@/core/time/dateLabels';
import type { Meeting } from '@/core/time/meetings';
import { courseOfSection, meetingById } from '@/data/plan/frameStore';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { changeMeetingRow } from '@/data/plan/writeMeetings';
import { loadFrame } from '@/data/plan/loadPlan';
import { followClasses } from '@/data/entries/writeEntries';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

/** Moves a single class, calls it off with a reason, or takes that back. Its id and ordinal stay. */
export function changeMeeting(
  pembit: Pembit,
  actor: SignedIn,
  id: MeetingId,
  input: MeetingInput,
): Promise<Outcome<Meeting>> {
  return perform(pembit, actor, 'changeMeeting', async (change) => {
    const found = await meetingById(change, id);
    const courseId = found && (await courseOfSection(change, found.section));
    if (!found || !courseId) return refused('notFound');
    const { meeting, section } = found;
    const parts = [{ course: courseId, sections: [section as SectionId] }];
    if (!may(actor, input.act === 'cancel' ? 'callOffClass' : 'changeMeeting', { parts }).ok)
      return refused('notFound');
    const { closures } = await loadFrame(change, [courseId]);
    const title = entryTexts.classTitle(meeting);
    const save = async (facts: Meeting, summary: string): Promise<Outcome<Meeting>> => {
      const after = await changeMeetingRow(change, { course: courseId, section: section as SectionId }, { before: meeting, after: facts }); // prettier-ignore
      change.concerns(`course:${courseId}`);
      await followClasses(change, [courseId]);
      change.summarise(summary);
      return done(after);
    };
    switch (input.act) {
      case 'move': {
        const { date, start, end, place = meeting.place } = input;
        const closed = closures.find(
          (closure) =>
            concernsSection(closure, courseId, section as SectionId) && closes(closure, { date, start, end }),
        );
        if (closed)
          return refused('badRequest', [
            { field: 'date', message: `There are no classes then: ${closed.name}.` },
          ]);
        const { locale } = await schoolSettings(change);
        const when = `${dateLabel(date, 'short', locale)}, ${timeLabel(start, locale)}`;
        return save(
          { ...meeting, date, start, end, place: place || undefined, moved: true },
          frameHistoryTexts.movedClass({ title, when }),
        );
      }
      case 'cancel':
        return save({ ...meeting, cancelled: input.reason }, frameHistoryTexts.cancelledClass({ title }));
      case 'restore':
        return save({ ...meeting, cancelled: undefined }, frameHistoryTexts.restoredClass({ title }));
      default:
        return input satisfies never;
    }
  });
}

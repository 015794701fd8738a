import type { CourseId } from '@/core/ids';
import { isStaffOf } from '@/core/entries/viewer';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { publishTexts } from '@/core/texts/publish';
import type { Letter } from '@/data/mail/outbox';
import { queueLetters } from '@/data/mail/outbox';
import type { Student } from '@/data/outlets/toldFeeds';
import { markTold, untoldOf } from '@/data/outlets/toldFeeds';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { personalFeedOf } from './publish';

/**
 * Sends each student of a course the address of their own feed by mail, once, whichever courses they take. It changes nobody's
 * view of anything.
 */
export async function tellFeeds(
  pembit: Pembit,
  actor: SignedIn,
  course: CourseId,
): Promise<Outcome<{ told: number }>> {
  if (!isStaffOf(actor.viewer, course)) return refused('notFound');
  const students = await untoldOf(pembit, course);
  if (students.length === 0) return refused('nobodyToTell');
  const letters: { student: Student; letter: Letter }[] = [];
  for (const student of students) {
    const { url } = await personalFeedOf(pembit, student);
    letters.push({
      student,
      letter: {
        to: student.email,
        subject: publishTexts.letterSubject,
        text: publishTexts.letter({
          name: student.name,
          by: actor.person.name,
          url,
          page: `${pembit.config.baseUrl}/subscribe`,
        }),
        sender: actor.person.id,
      },
    });
  }
  const nowMs = pembit.now().epochMilliseconds;
  const told = await pembit.queue.write(
    async (writer) => {
      const due: Letter[] = [];
      // Somebody else may have told some of them meanwhile.
      for (const { student, letter } of letters)
        if (await markTold(writer, student.id, nowMs)) due.push(letter);
      await queueLetters(writer, due, nowMs);
      return due.length;
    },
    { aside: true },
  );
  return done({ told });
}

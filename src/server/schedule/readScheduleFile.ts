import type { CourseId, FileId } from '@/core/ids';
import { mayIn } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { scheduleTexts } from '@/core/texts/schedule';
import { filesById } from '@/data/materials/files';
import { loadFrame } from '@/data/plan/loadPlan';
import { storedPath } from '../materials/fileStore';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { inForeignThread, TooMuch } from '../worker/inForeignThread';

/** The text of a schedule file that somebody uploaded themselves, as they would have pasted it. */
export async function readScheduleFile(
  pembit: Pembit,
  actor: SignedIn,
  course: CourseId,
  file: FileId,
): Promise<Outcome<{ text: string }>> {
  if (!mayIn(actor, 'takeSchedule', course)) return refused('notFound');
  const [term] = (await loadFrame(pembit, [course])).terms;
  return term ? textOfFile(pembit, actor, file, term.tzid) : refused('notFound');
}

/** The text of a file of words or rows that somebody uploaded themselves; of a calendar where a zone is given. */
export async function textOfFile(
  pembit: Pembit,
  actor: SignedIn,
  file: FileId,
  tzid?: string,
): Promise<Outcome<{ text: string }>> {
  const [stored] = await filesById(pembit, [file]);
  if (stored?.owner !== actor.person.id) return refused('notFound');
  const bad = (message: string) => refused('badRequest', [{ field: 'file', message }]);
  try {
    const path = storedPath(pembit.config, stored.hash);
    const read = await inForeignThread('schedule', { path, name: stored.name, tzid });
    return 'text' in read
      ? done({ text: read.text.slice(0, 200_000) })
      : bad(scheduleTexts.fileRefused[read.refused]);
  } catch (error) {
    return bad(
      error instanceof TooMuch ? scheduleTexts.fileRefused.tooLarge : scheduleTexts.fileRefused.unreadable,
    );
  }
}

import type { CourseId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { courseRowOf } from '@/data/plan/frameStore';
import type { CourseContents } from '@/data/plan/removeCourse';
import { contentsOf, removeCourse } from '@/data/plan/removeCourse';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { mayChangeStaff } from './courseStaff';

/** Puts a course out of the way, readable as it was; or brings it back. Its instructor or the administrator may. */
export function archiveCourse(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
  archived: boolean,
): Promise<Outcome<{ code: string }>> {
  return perform(pembit, actor, 'archiveCourse', async (change) => {
    const row = await courseRowOf(change, id);
    if (!row || !mayChangeStaff(actor, id)) return refused('notFound');
    await change.update('courses', id, archived ? { archived_at: change.nowMs } : { archived_at: null, reopened: 1 }); // prettier-ignore
    change.concerns(`course:${id}`);
    change.summarise(
      archived
        ? frameHistoryTexts.archived({ code: row.code })
        : frameHistoryTexts.restored({ code: row.code }),
    );
    return done({ code: row.code });
  });
}

/** What deleting a course would take away, in numbers. */
export async function deletionOf(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
): Promise<Outcome<CourseContents>> {
  return mayChangeStaff(actor, id) ? done(await contentsOf(pembit, id)) : refused('notFound');
}

/** Deletes an archived course with everything in it alone; what it shares with other courses stays in those. */
export function deleteCourse(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
): Promise<Outcome<{ code: string }>> {
  return perform(pembit, actor, 'deleteCourse', async (change) => {
    const row = await courseRowOf(change, id);
    if (!row || !mayChangeStaff(actor, id)) return refused('notFound');
    if (row.archived_at === null) return refused('notArchived');
    await removeCourse(change, id);
    change.concerns(`course:${id}`);
    change.summarise(frameHistoryTexts.deletedCourse({ code: row.code }));
    return done({ code: row.code });
  });
}

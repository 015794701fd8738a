import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { select } from '@/data/database';
import { recordChange } from '@/data/history/change';
import { forgetOutdated, forgetHistoryBefore } from '@/data/jobs/outdated';
import { removeCourse } from '@/data/plan/removeCourse';
import { schoolSettings } from '@/data/plan/schoolSettings';
import type { CourseId } from '@/core/ids';
import type { Pembit } from '../pembit';

/**
 * Forgets what has run out: sessions, sign-in links, letters that arrived long ago; and, where the school says how many
 * years it keeps things, older history and courses that have been archived for longer.
 */
export async function tidy(pembit: Pembit): Promise<void> {
  const now = pembit.now();
  const nowMs = now.epochMilliseconds;
  await pembit.queue.write((writer) => forgetOutdated(writer, nowMs));
  const { keepYears } = await schoolSettings(pembit);
  if (keepYears === undefined) return;
  const before = now.toZonedDateTimeISO('UTC').subtract({ years: keepYears }).epochMilliseconds;
  const courses = await select<{ id: CourseId; code: string }>(
    pembit,
    'SELECT id, code FROM courses WHERE archived_at < :before',
    { before },
  );
  for (const { id, code } of courses)
    await recordChange(
      pembit.queue,
      { act: 'tidy', summary: frameHistoryTexts.deletedCourse(code), actor: null, nowMs },
      (change) => removeCourse(change, id),
    );
  await pembit.queue.write((writer) => forgetHistoryBefore(writer, before));
}

import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { select } from '@/data/database';
import { forgetTombstones } from '@/data/entries/tombstones';
import { recordChange } from '@/data/history/change';
import { forgetOutdated, forgetHistoryBefore } from '@/data/jobs/outdated';
import { forgetUnusedFiles } from '@/data/materials/files';
import { removeCourse } from '@/data/plan/removeCourse';
import { schoolSettings } from '@/data/plan/schoolSettings';
import type { CourseId } from '@/core/ids';
import { removeStored } from '../materials/fileStore';
import type { Pembit } from '../pembit';

/** How long an uploaded file may wait for something that leads to it. */
const UNUSED_FILES_MS = 7 * 24 * 3_600_000;

/**
 * Forgets what has run out: sessions, sign-in links, letters that arrived long ago; and, where the school says how many
 * years it keeps things, older history and courses that have been archived for longer.
 */
export async function tidy(pembit: Pembit): Promise<void> {
  const now = pembit.now();
  const nowMs = now.epochMilliseconds;
  await pembit.queue.write(async (writer) => {
    await forgetOutdated(writer, nowMs);
    await forgetTombstones(writer, nowMs);
  });
  const unused = await pembit.queue.write((writer) => forgetUnusedFiles(writer, nowMs - UNUSED_FILES_MS));
  for (const hash of unused) await removeStored(pembit.config, hash);
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

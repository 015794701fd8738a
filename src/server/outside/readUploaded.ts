import type { ReadCalendar } from '@/core/icalendar/readCalendar';
import type { FileId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { outsideTexts } from '@/core/texts/outside';
import { filesById } from '@/data/materials/files';
import { storedPath } from '../materials/fileStore';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { readInWorker } from './readInWorker';

/** Reads a calendar file that somebody uploaded themselves. Times without a zone are those of `tzid`. */
export async function readUploaded(
  pembit: Pembit,
  { person }: SignedIn,
  file: FileId,
  tzid: string,
): Promise<Outcome<ReadCalendar>> {
  const [stored] = await filesById(pembit, [file]);
  if (stored?.owner !== person.id) return refused('notFound');
  const calendar = await readInWorker({ path: storedPath(pembit.config, stored.hash), tzid });
  const bad = (message: string) => refused('badRequest', [{ field: 'file', message }]);
  if (!calendar) return bad(outsideTexts.failures.tooSlow);
  return calendar.ok ? done(calendar) : bad(outsideTexts.failures.noCalendar);
}

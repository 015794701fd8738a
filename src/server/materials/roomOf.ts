import type { CourseId } from '@/core/ids';
import { retentionTexts } from '@/core/texts/retention';
import type { Reader } from '@/data/reader';
import { courseBytes, megabytes } from '@/data/materials/fileRoom';
import { schoolSettings } from '@/data/plan/schoolSettings';

/** From here on it is said loudly that a course's files will soon have filled their room. */
const NEARLY = 0.9;

/** How much of their room a course's files take, in words; undefined while it has none. */
export async function roomOf(
  reader: Reader,
  course: CourseId,
): Promise<Readonly<{ words: string; nearlyFull: boolean }> | undefined> {
  const [bytes, { courseMegabytes: most }] = await Promise.all([courseBytes(reader, course), schoolSettings(reader)]); // prettier-ignore
  if (bytes === 0) return undefined;
  const used = megabytes(bytes);
  const nearlyFull = used >= most * NEARLY;
  return { nearlyFull, words: nearlyFull ? retentionTexts.nearlyFull({ megabytes: used, of: most }) : retentionTexts.used({ megabytes: used, of: most }) }; // prettier-ignore
}

import type { Link } from '@/core/entries/entry';
import type { CourseId, FileId } from '@/core/ids';
import type { FieldError } from '@/core/refusals';
import { fileTexts } from '@/core/texts/files';
import { materialTexts } from '@/core/texts/materials';
import { retentionTexts } from '@/core/texts/retention';
import type { Reader } from '@/data/reader';
import { courseBytes, megabytes } from '@/data/materials/fileRoom';
import { filesById, filesForStaff } from '@/data/materials/files';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { materialsOf } from '@/data/materials/materials';
import type { SignedIn } from '../session/session';

/** Of some files, those that the actor may lead others to: what they uploaded, and what a course leads to that they teach. */
export async function ownFiles(
  reader: Reader,
  actor: SignedIn,
  files: readonly (FileId | undefined)[],
): Promise<ReadonlySet<FileId>> {
  const asked = files.filter((id) => id !== undefined);
  return new Set(
    asked.length === 0 ? [] : await filesForStaff(reader, asked, actor.person.id, [...actor.viewer.staffOf]),
  );
}

/** What is said where a course has no room for some files, before they are hung on it. */
export async function roomError(
  reader: Reader,
  courses: readonly CourseId[],
  files: readonly FileId[],
): Promise<string | undefined> {
  if (files.length === 0) return undefined;
  const { courseMegabytes } = await schoolSettings(reader);
  for (const course of courses)
    if (megabytes(await courseBytes(reader, course, files)) > courseMegabytes)
      return retentionTexts.courseFull({ of: courseMegabytes });
  return undefined;
}

/**
 * Links to materials lead to those of the courses that something is for; links to files, to what the actor may pass on. A file
 * without a label is called by its name.
 */
export async function checkedLinks<L extends Link>(
  reader: Reader,
  actor: SignedIn,
  courses: readonly CourseId[],
  links: L[],
): Promise<Readonly<{ errors: FieldError[]; links: L[] }>> {
  if (!links.some((link) => link.material || link.file)) return { errors: [], links };
  const materials = new Set((await materialsOf(reader, courses)).map((material) => material.id));
  const linked = links.flatMap((link) => link.file ?? []);
  const files = await ownFiles(reader, actor, linked);
  const full = await roomError(reader, courses, linked);
  const names = new Map((await filesById(reader, linked)).map(({ id, name }) => [id, name]));
  return {
    errors: links.flatMap(({ material, file }, i) => [
      ...(file && full ? [{ field: `links.${i}.file`, message: full }] : []),
      ...(material && !materials.has(material)
        ? [{ field: `links.${i}.material`, message: materialTexts.notOfCourse }]
        : []),
      ...(file && !files.has(file) ? [{ field: `links.${i}.file`, message: fileTexts.notKept }] : []),
    ]),
    links: links.map((link) =>
      link.file && link.label === '' ? { ...link, label: names.get(link.file) ?? '' } : link,
    ),
  };
}

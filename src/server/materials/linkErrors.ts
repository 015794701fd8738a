import type { Link } from '@/core/entries/entry';
import { coursesOf } from '@/core/entries/viewer';
import type { CourseId, FileId } from '@/core/ids';
import type { FieldError } from '@/core/refusals';
import { fileTexts } from '@/core/texts/files';
import { materialTexts } from '@/core/texts/materials';
import type { Reader } from '@/data/database';
import { filesForStaff } from '@/data/materials/files';
import { materialsOf } from '@/data/materials/materials';
import type { SignedIn } from '../session/session';

/** Of some files, those that the actor may lead others to: what they uploaded, and what their courses lead to already. */
export async function ownFiles(
  reader: Reader,
  actor: SignedIn,
  files: readonly (FileId | undefined)[],
): Promise<ReadonlySet<FileId>> {
  const asked = files.filter((id) => id !== undefined);
  return new Set(
    asked.length === 0 ? [] : await filesForStaff(reader, asked, actor.person.id, coursesOf(actor.viewer)),
  );
}

/** Links to materials lead to those of the courses that something is for; links to files, to what the actor may pass on. */
export async function linkErrors(
  reader: Reader,
  actor: SignedIn,
  courses: readonly CourseId[],
  links: readonly Link[],
): Promise<FieldError[]> {
  if (!links.some((link) => link.material || link.file)) return [];
  const materials = new Set((await materialsOf(reader, courses)).map((material) => material.id));
  const files = await ownFiles(
    reader,
    actor,
    links.map((link) => link.file),
  );
  return links.flatMap(({ material, file }, i) => [
    ...(material && !materials.has(material)
      ? [{ field: `links.${i}.material`, message: materialTexts.notOfCourse }]
      : []),
    ...(file && !files.has(file) ? [{ field: `links.${i}.file`, message: fileTexts.notKept }] : []),
  ]);
}

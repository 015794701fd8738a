import type { Link } from '@/core/entries/entry';
import type { CourseId } from '@/core/ids';
import type { FieldError } from '@/core/refusals';
import { materialTexts } from '@/core/texts/materials';
import type { Reader } from '@/data/database';
import { materialsOf } from '@/data/materials/materials';

/** Links to materials lead to those of the courses that something is for. */
export async function materialErrors(
  reader: Reader,
  courses: readonly CourseId[],
  links: readonly Link[],
): Promise<FieldError[]> {
  if (!links.some((link) => link.material)) return [];
  const own = new Set((await materialsOf(reader, courses)).map((material) => material.id));
  return links.flatMap(({ material }, i) =>
    !material || own.has(material)
      ? []
      : [{ field: `links.${i}.material`, message: materialTexts.notOfCourse }],
  );
}

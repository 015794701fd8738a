import { Temporal } from 'temporal-polyfill';
import type { CourseId, FileId, MaterialId } from '@/core/ids';
import type { Material, MaterialKind } from '@/core/materials/material';
import { toInstant } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { momentText, zonedWall } from '@/core/time/zonedWall';
import type { Reader } from '../reader';
import { select } from '../database';
import type { Change } from '../history/change';
import { grown } from '../history/grown';
import type { Rows } from '../rows';

type Row = Rows['materials'];

function toMaterial(row: Row): Material {
  const wall = row.visible_from === null ? undefined : zonedWall(row.visible_from, row.tzid);
  return {
    id: row.id as MaterialId,
    course: row.course_id as CourseId,
    ...(row.parent_id ? { parent: row.parent_id as MaterialId } : {}),
    position: row.position,
    kind: row.kind as MaterialKind,
    title: row.title,
    url: row.url,
    text: row.text,
    ...(row.file_id ? { file: row.file_id as FileId } : {}),
    ...(row.source_id === null ? {} : { source: { id: row.source_id, path: row.source_path ?? '' } }),
    ...(wall ? { visibleFrom: { wall, at: toInstant(requireZone(row.tzid), wall.wall) } } : {}),
    sequence: row.sequence,
    created: Temporal.Instant.fromEpochMilliseconds(row.created_at),
    lastModified: Temporal.Instant.fromEpochMilliseconds(row.modified_at),
  };
}

const fromMaterial = (material: Material, tzid: string): Row => ({
  id: material.id,
  course_id: material.course,
  parent_id: material.parent ?? null,
  position: material.position,
  kind: material.kind,
  title: material.title,
  url: material.url,
  text: material.text,
  visible_from: material.visibleFrom ? momentText(material.visibleFrom.wall) : null,
  tzid,
  file_id: material.file ?? null,
  source_id: material.source?.id ?? null,
  source_path: material.source?.path ?? null,
  sequence: material.sequence,
  created_at: material.created.epochMilliseconds,
  modified_at: material.lastModified.epochMilliseconds,
});

export async function materialsOf(reader: Reader, courses: readonly CourseId[]): Promise<Material[]> {
  if (courses.length === 0) return [];
  const rows = await select<Row>(
    reader,
    'SELECT * FROM materials WHERE course_id IN (:courses) ORDER BY course_id, position, id',
    { courses },
  );
  return rows.map(toMaterial);
}

export async function materialById(reader: Reader, id: MaterialId): Promise<Material | undefined> {
  const [row] = await select<Row>(reader, 'SELECT * FROM materials WHERE id = :id', { id });
  return row && toMaterial(row);
}

type MaterialFacts = Omit<Material, 'sequence' | 'created' | 'lastModified'>;

const kept = ({ sequence, created, lastModified }: Material) => ({ sequence, created, lastModified });

/** `tzid` is the zone of the course's term. */
export async function insertMaterials(
  change: Change,
  materials: readonly MaterialFacts[],
  tzid: string,
): Promise<void> {
  await change.insert(
    'materials',
    materials.map((material) => fromMaterial({ ...material, ...grown(change) }, tzid)),
  );
  change.concerns(...materials.map(({ course }) => `course:${course}` as const));
}

/** Writes a material over what was there, where it differs. */
export async function replaceMaterial(change: Change, material: MaterialFacts, tzid: string): Promise<void> {
  const before = await materialById(change, material.id);
  const same = (of: Material) => JSON.stringify(fromMaterial(of, tzid));
  if (!before || same(before) === same({ ...before, ...material, ...kept(before) })) return;
  await change.update(
    'materials',
    material.id,
    fromMaterial({ ...material, ...grown(change, before) }, tzid),
  );
  change.concerns(`course:${material.course}`);
}

export async function removeMaterial(change: Change, material: Material): Promise<void> {
  await change.remove('materials', material.id);
  change.concerns(`course:${material.course}`);
}

import type { CourseId, FileId, PersonId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { contains } from '../dialect';
import { deleteRows, run } from '../statements';

/** An uploaded file: what it is called; its bytes lie outside the database, under their SHA-256. */
export type StoredFile = Readonly<{
  id: FileId;
  hash: string;
  name: string;
  mediaType: string;
  /** In bytes. */
  size: number;
  owner?: PersonId;
}>;

type Row = Readonly<{
  id: string;
  hash: string;
  name: string;
  media_type: string;
  size: number;
  owner_id: string | null;
}>;

const toFile = (row: Row): StoredFile => ({
  id: row.id as FileId,
  hash: row.hash,
  name: row.name,
  mediaType: row.media_type,
  size: row.size,
  ...(row.owner_id ? { owner: row.owner_id as PersonId } : {}),
});

export async function filesById(reader: Reader, ids: readonly FileId[]): Promise<StoredFile[]> {
  if (ids.length === 0) return [];
  return (await select<Row>(reader, 'SELECT * FROM files WHERE id IN (:ids)', { ids })).map(toFile);
}

/** Not part of the history: a file is there before anything leads to it, and stays while undo could lead to it again. */
export async function insertFile(writer: Writer, file: StoredFile, nowMs: number): Promise<void> {
  await run(
    writer,
    `INSERT INTO files (id, hash, name, media_type, size, owner_id, created_at)
     VALUES (:id, :hash, :name, :mediaType, :size, :owner, :nowMs)`,
    { ...file, owner: file.owner ?? null, nowMs },
  );
}

// By text, not by column: what undo or a class plan leads to stands in JSON.
const used = (reader: Reader) => `id IN (SELECT file_id FROM materials) OR id IN (SELECT file_id FROM links)
  OR id IN (SELECT file_id FROM calendars)
  OR EXISTS (SELECT 1 FROM class_plans WHERE ${contains(reader, 'class_plans.links', 'files.id')})
  OR EXISTS (SELECT 1 FROM sheets WHERE ${contains(reader, 'sheets.rules', 'files.id')})
  OR EXISTS (SELECT 1 FROM history WHERE ${contains(reader, 'history.changes', 'files.id')})`;

/** Forgets files that nothing leads to any more and that were uploaded before then. Answers hashes that no row names now. */
export async function forgetUnusedFiles(writer: Writer, beforeMs: number): Promise<string[]> {
  const unused = await select<{ id: string; hash: string }>(
    writer,
    `SELECT id, hash FROM files WHERE created_at < :beforeMs AND NOT (${used(writer)})`,
    { beforeMs },
  );
  if (unused.length === 0) return [];
  await deleteRows(writer, 'files', { id: unused.map(({ id }) => id) });
  const hashes = [...new Set(unused.map(({ hash }) => hash))];
  const kept = await select<{ hash: string }>(writer, 'SELECT hash FROM files WHERE hash IN (:hashes)', {
    hashes,
  });
  const still = new Set(kept.map(({ hash }) => hash));
  return hashes.filter((hash) => !still.has(hash));
}

/** Of some files, those that a person uploaded or that something in some courses leads to. */
export async function filesForStaff(
  reader: Reader,
  ids: readonly FileId[],
  person: PersonId,
  courses: readonly CourseId[],
): Promise<FileId[]> {
  const rows = await select<{ id: FileId }>(
    reader,
    `SELECT id FROM files WHERE id IN (:ids) AND (owner_id = :person
       OR id IN (SELECT file_id FROM materials WHERE course_id IN (:courses))
       OR id IN (SELECT file_id FROM links WHERE entry_id IN
                 (SELECT entry_id FROM entry_audiences WHERE course_id IN (:courses)))
       OR EXISTS (SELECT 1 FROM class_plans WHERE course_id IN (:courses) AND ${contains(reader, 'class_plans.links', 'files.id')})
       OR EXISTS (SELECT 1 FROM sheets JOIN sheet_audiences ON sheet_audiences.sheet_id = sheets.id
                  WHERE course_id IN (:courses) AND ${contains(reader, 'sheets.rules', 'files.id')}))`,
    { ids, person, courses: courses.length > 0 ? courses : [''] },
  );
  return rows.map(({ id }) => id);
}

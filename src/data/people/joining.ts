import type { CourseId, SectionId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { deleteRows, insertRows, updateRows } from '../statements';
import type { Rows } from '../rows';

/** The courses that can be joined by an address, each with the generation of its own. */
export const openForJoining = (reader: Reader): Promise<{ id: CourseId; generation: number }[]> =>
  select(reader, 'SELECT id, join_generation AS generation FROM courses WHERE join_hash IS NOT NULL');

/** By which a course is found at its joining address. */
export async function writeJoinHash(writer: Writer, course: CourseId, hash: string): Promise<void> {
  await updateRows(writer, 'courses', { join_hash: hash }, { id: course });
}

type CourseRow = Rows['courses'];

export const courseRowOf = async (reader: Reader, id: CourseId): Promise<CourseRow | undefined> =>
  (await select<CourseRow>(reader, 'SELECT * FROM courses WHERE id = :id', { id }))[0];

/** A course that can be joined by an address, by its id or by the hash of the address. */
export const openCourse = async (
  reader: Reader,
  by: Readonly<{ id: CourseId }> | Readonly<{ hash: string }>,
): Promise<CourseRow | undefined> =>
  (
    await select<CourseRow>(
      reader,
      `SELECT * FROM courses WHERE ${'id' in by ? 'id = :id' : 'join_hash = :hash'} AND join_hash IS NOT NULL AND archived_at IS NULL`,
      by,
    )
  )[0];

export const sectionNamesOf = (
  reader: Reader,
  course: CourseId,
): Promise<Readonly<{ id: SectionId; name: string }>[]> =>
  select(reader, 'SELECT id, name FROM sections WHERE course_id = :course ORDER BY name', { course });

/** Somebody who asked to join by mail. `id` is the hash of the link's token. */
export type JoinRequest = Readonly<{
  id: string;
  course_id: CourseId;
  section_id: SectionId | null;
  name: string;
  email: string;
  join_generation: number;
  expires_at: number;
}>;

export async function insertJoinRequest(writer: Writer, request: JoinRequest): Promise<void> {
  await insertRows(writer, 'join_requests', [request]);
}

export const joinRequestById = async (reader: Reader, id: string, nowMs: number): Promise<JoinRequest | undefined> =>
  (await select<JoinRequest>(reader, 'SELECT * FROM join_requests WHERE id = :id AND expires_at > :nowMs', { id, nowMs }))[0]; // prettier-ignore

export async function removeJoinRequests(writer: Writer, email: string): Promise<void> {
  await deleteRows(writer, 'join_requests', { email });
}

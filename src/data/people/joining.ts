import type { CourseId } from '@/core/ids';
import type { Reader } from '../database';
import { select } from '../database';
import type { Writer } from '../writeQueue';

/** The courses that can be joined by an address, each with the generation of its own. */
export const openForJoining = (reader: Reader): Promise<{ id: CourseId; generation: number }[]> =>
  select(reader, 'SELECT id, join_generation AS generation FROM courses WHERE join_hash IS NOT NULL');

/** By which a course is found at its joining address. */
export async function writeJoinHash(writer: Writer, course: CourseId, hash: string): Promise<void> {
  await writer.sequelize
    .getQueryInterface()
    .bulkUpdate('courses', { join_hash: hash }, { id: course }, { transaction: writer.transaction });
}

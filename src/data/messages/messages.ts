import type { CourseId, EntryId, PersonId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { insertRows } from '../statements';

/** What somebody of the staff wrote to students of a course. */
export type Message = Readonly<{
  id: string;
  course: CourseId;
  entry: EntryId | null;
  author: PersonId | null;
  /** Whom it was written to, in words: `section B of HL, without a time this week`. */
  audience: string;
  subject: string;
  body: string;
  /** How many got a letter. */
  told: number;
  atMs: number;
}>;

export async function insertMessage(writer: Writer, message: Message): Promise<void> {
  const { course, entry, author, atMs, ...rest } = message;
  await insertRows(writer, 'messages', [
    { ...rest, course_id: course, entry_id: entry, author_id: author, at: atMs },
  ]);
}

/** What was written to students of a course, the newest first; about one entry, where one is named. */
export const messagesOf = (
  reader: Reader,
  { course, entry }: Readonly<{ course: CourseId; entry?: EntryId }>,
  most: number,
): Promise<(Omit<Message, 'course' | 'author'> & Readonly<{ authorName: string | null }>)[]> =>
  select(
    reader,
    `SELECT messages.id, entry_id AS entry, people.name AS "authorName", audience, subject, body, told, at AS "atMs"
     FROM messages LEFT JOIN people ON people.id = author_id
     WHERE messages.course_id = :course ${entry ? 'AND entry_id = :entry' : ''}
     ORDER BY at DESC, messages.id LIMIT ${Math.floor(most)}`,
    { course, entry: entry ?? null },
  );

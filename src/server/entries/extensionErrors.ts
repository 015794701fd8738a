import type { EntryInput } from '@/core/entries/entryInput';
import type { FieldError } from '@/core/refusals';
import type { Reader } from '@/data/database';
import { select } from '@/data/database';

/** Extended due times are for students of the entry's own courses. */
export async function extensionErrors(reader: Reader, input: EntryInput): Promise<FieldError[]> {
  if (input.kind !== 'assignment' || input.extensions.length === 0) return [];
  const rows = await select<{ person_id: string }>(
    reader,
    'SELECT person_id FROM roster WHERE course_id IN (:courses)',
    { courses: input.audience.map((part) => part.course) },
  );
  const enrolled = new Set(rows.map((row) => row.person_id));
  return input.extensions.flatMap(({ person }, i) =>
    enrolled.has(person)
      ? []
      : [{ field: `extensions.${i}.person`, message: 'This student is not on the roster.' }],
  );
}

import type { EntryInput } from '@/core/entries/entryInput';
import type { FieldError } from '@/core/refusals';
import type { Reader } from '@/data/reader';
import { enrolledPeople } from '@/data/people/enrolment';

/** Extended due times are for students of the entry's own courses. */
export async function extensionErrors(reader: Reader, input: EntryInput): Promise<FieldError[]> {
  if (input.kind !== 'assignment' || input.extensions.length === 0) return [];
  const enrolled = await enrolledPeople(reader, input.audience.map((part) => part.course)); // prettier-ignore
  return input.extensions.flatMap(({ person }, i) =>
    enrolled.has(person)
      ? []
      : [{ field: `extensions.${i}.person`, message: 'This student is not on the roster.' }],
  );
}

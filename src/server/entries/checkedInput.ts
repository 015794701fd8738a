import type { DatedInput } from '@/core/entries/factsFromInput';
import { dateErrors, datedInput } from '@/core/entries/factsFromInput';
import type { EntryInput } from '@/core/entries/entryInput';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { Zone } from '@/core/time/zone';
import type { Reader } from '@/data/reader';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { checkedLinks } from '../materials/checkedLinks';
import { extensionErrors } from './extensionErrors';
import { frameFor } from './frameFor';

/** What was sent to plan or change an entry, once everything about it is known to be right, with the zone it is in. */
export async function checkedInput(
  pembit: Pembit,
  reader: Reader,
  actor: SignedIn,
  input: EntryInput,
): Promise<Outcome<{ input: DatedInput; zone: Zone }>> {
  const frame = await frameFor(pembit, reader, actor, input);
  if (!frame.ok) return frame;
  const { zone, courses } = frame.value;
  const dated = datedInput(input, courses, zone.tzid);
  if (!dated.ok) return refused('badRequest', dated.errors);
  const linked =
    input.kind === 'note'
      ? undefined
      : await checkedLinks(
          reader,
          actor,
          input.audience.map((part) => part.course),
          input.links,
        );
  const errors = [
    ...dateErrors(dated.input),
    ...(await extensionErrors(reader, input)),
    ...(linked?.errors ?? []),
  ];
  if (errors.length > 0) return refused('badRequest', errors);
  return done({ input: linked ? { ...dated.input, links: linked.links } : dated.input, zone });
}

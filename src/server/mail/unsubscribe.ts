import { NO_PERSON_SETTINGS } from '@/core/frame/personSettings';
import type { PersonSettings } from '@/core/frame/personSettings';
import type { PersonId } from '@/core/ids';
import type { EndedByLetter, LetterWhen } from '@/core/mail/letters';
import { ENDED_BY_LETTER } from '@/core/mail/letters';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { guardianById, writeLetterWish } from '@/data/guardians/guardians';
import type { Letter } from '@/data/mail/outbox';
import { keptPerson } from '../people/keptPeople';
import type { Pembit } from '../pembit';
import { isProven, proofOf } from '../proof';
import { changeOwnSettings, settingsOf } from '../students/settings';

const PROOF = 'unsubscribe';

/** What ends letters of one sort to one person (RFC 8058): it proves itself, holds for good, and opens nothing. */
export const unsubscribeToken = (
  { secret }: Pick<Pembit, 'secret'>,
  person: string,
  sort: EndedByLetter,
): string => [person, sort, proofOf(secret, PROOF, [person, sort])].join('.');

/** By what a mail program offers to end letters like this one (RFC 8058; its POST asks for https). */
export const endingHeaders = (
  { unsubscribe }: Pick<Letter, 'unsubscribe'>,
  baseUrl: string,
): Readonly<Record<string, string>> =>
  unsubscribe
    ? {
        'List-Unsubscribe': `<${baseUrl}/api/unsubscribe/${unsubscribe}>`,
        ...(baseUrl.startsWith('https:') ? { 'List-Unsubscribe-Post': 'List-Unsubscribe=One-Click' } : {}),
      }
    : {};

/** Whose letters of which sort a token ends. */
export function readUnsubscribe({ secret }: Pick<Pembit, 'secret'>, token: string): Readonly<{ person: PersonId; sort: EndedByLetter }> | undefined {
  const [person = '', named = '', proof = ''] = token.split('.');
  const sort = ENDED_BY_LETTER.find((known) => known === named);
  return sort && isProven(secret, PROOF, [person, sort], proof) ? { person: person as PersonId, sort } : undefined;
} // prettier-ignore

/** Settings without the letters of a sort; of what is gathered: without all that comes in such a letter. */
function without({ letters, remind, ...rest }: PersonSettings, sort: Exclude<EndedByLetter, 'guardian'>): PersonSettings {
  if (sort === 'reminders') return { ...rest, letters, remind: NO_PERSON_SETTINGS.remind };
  if (sort !== 'gathered') return { ...rest, remind, letters: { ...letters, [sort]: 'never' } };
  const ended = <W extends LetterWhen>(when: W): W | 'never' => (when === 'now' ? when : 'never');
  const { near, changes, times, news } = letters;
  return { ...rest, remind, letters: { near: ended(near), changes: ended(changes), times: ended(times), news: news && 'never' } };
} // prettier-ignore

/** Ends the weeks that a guardian gets by letter: of these the token names the address, not a person. */
async function endWeeks(pembit: Pembit, id: string): Promise<Outcome<{ sort: EndedByLetter }>> {
  const guardian = await guardianById(pembit, id);
  if (!guardian) return refused('notFound');
  const { locale, tzid } = guardian;
  await pembit.queue.write((writer) => writeLetterWish(writer, id, { email: '', locale, tzid }));
  return done({ sort: 'guardian' });
}

/** Ends the letters that a token speaks of; again is no mistake. Their reader is not signed in where they press it. */
export async function unsubscribe(pembit: Pembit, token: string): Promise<Outcome<{ sort: EndedByLetter }>> {
  const read = readUnsubscribe(pembit, token);
  if (read?.sort === 'guardian') return endWeeks(pembit, read.person);
  const { person, viewer } = read ? await keptPerson(pembit, read.person) : {};
  if (!read || !person || !viewer) return refused('notFound');
  const settings = without(await settingsOf(pembit, person.id), read.sort);
  const written = await changeOwnSettings(pembit, { person, viewer, session: '' }, settings);
  return written.ok ? done({ sort: read.sort }) : written;
}

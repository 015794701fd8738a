import type { PersonSettings } from '@/core/frame/personSettings';
import type { PersonId } from '@/core/ids';
import type { LetterSort } from '@/core/mail/letters';
import type { GatheredLine } from '@/data/mail/gathered';

/** What one is told. `near`: it is called off, or within two days; `about`: the id of what it speaks of. */
export type ToldLine = Readonly<{ line: string; near: boolean; about: string }>;

const sortOf = ({ near }: ToldLine) => (near ? 'near' : 'changes');

/**
 * What of some lines is written to somebody at once, and what waits for a gathered letter, as they wish; an emergency that is
 * near is written at once. `sort`: what a letter of those at once may offer to end.
 */
export function asOneWishes(
  person: PersonId,
  told: readonly ToldLine[],
  { letters }: Pick<PersonSettings, 'letters'>,
  { emergency = false }: Readonly<{ emergency?: boolean }> = {},
): Readonly<{ now: readonly ToldLine[]; gathered: readonly GatheredLine[]; sort: LetterSort | undefined }> {
  const forced = (line: ToldLine) => emergency && line.near;
  const whenOf = (line: ToldLine) => (forced(line) ? 'now' : letters[sortOf(line)]);
  const now = told.filter((line) => whenOf(line) === 'now');
  return {
    now,
    gathered: told
      .filter((line) => !['now', 'never'].includes(whenOf(line)))
      .map((line) => ({ person, sort: sortOf(line), about: line.about, line: line.line })),
    // What one cannot end says no way to end it.
    sort: now.some(forced) ? undefined : now.every((line) => line.near) ? 'near' : 'changes',
  };
}

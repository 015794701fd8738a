import { z } from 'zod';
import type { PersonId } from '@/core/ids';
import { mayOffice } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { peopleNamed } from '@/data/people/office';
import type { Page } from '../lists/page';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

const CURSOR = z.tuple([z.string(), z.string()]);

export type FoundPerson = Readonly<{
  id: PersonId;
  name: string;
  email: string;
  isAdmin: boolean;
  deactivated: boolean;
  secondStep: boolean;
}>;

/** Anybody at the school whose name or address holds the words, by name, a page at a time. For the administrator. */
export async function findPeople(
  pembit: Pembit,
  actor: SignedIn,
  { words, limit, cursor }: Readonly<{ words: string; limit: number; cursor?: string }>,
): Promise<Outcome<Page<FoundPerson>>> {
  if (!mayOffice(actor, 'addPerson')) return refused('notYours');
  const after = cursor === undefined ? undefined : afterOf(cursor);
  if (after === null)
    return refused('badRequest', [{ field: 'cursor', message: 'This is no cursor of this list.' }]);
  const rows = await peopleNamed(pembit, { words, after, most: limit + 1 });
  const items = rows.slice(0, limit).map(({ isAdmin, deactivated, secondStep, ...row }) => ({
    ...row,
    isAdmin: isAdmin === 1,
    deactivated: deactivated === 1,
    secondStep: secondStep === 1,
  }));
  const last = rows.length > limit ? items.at(-1) : undefined;
  return done({ items, ...(last ? { next: cursorOf(last) } : {}) });
}

const cursorOf = ({ name, id }: FoundPerson) =>
  Buffer.from(JSON.stringify([name, id]), 'utf8').toString('base64url');

/** The name and the id after which a page begins; null for what no page gave. */
function afterOf(cursor: string): readonly [name: string, id: string] | null {
  try {
    const read = CURSOR.safeParse(JSON.parse(Buffer.from(cursor, 'base64url').toString('utf8')));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

import { readsPart } from '@/core/entries/viewer';
import type { FollowedList } from '@/core/tokens/webhook';
import { FOLLOWED_LISTS } from '@/core/tokens/webhook';
import { LIST_PARTS, listed } from '../lists/lists';
import { materialsListed } from '../lists/materialsList';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import type { State } from './state';
import { stateOf } from './state';

const PARTS = { ...LIST_PARTS, materials: 'materials' } as const;

/** Which lists somebody reads. */
export const listsRead = ({ viewer }: Pick<SignedIn, 'viewer'>): FollowedList[] =>
  FOLLOWED_LISTS.filter((list) => readsPart(viewer, PARTS[list]));

/** Everything that somebody sees now, of these lists and of what they read. */
export async function stateNow(
  pembit: Pembit,
  actor: SignedIn,
  lists: readonly FollowedList[] = FOLLOWED_LISTS,
): Promise<State> {
  const read = listsRead(actor).filter((list) => lists.includes(list));
  return stateOf(
    await Promise.all(
      read.map(async (list) => {
        const things = list === 'materials' ? materialsListed(pembit, actor) : listed(pembit, actor, list);
        return [list, await things] as const;
      }),
    ),
  );
}

import { createHash } from 'node:crypto';
import { gunzipSync, gzipSync } from 'node:zlib';
import type { FollowedList } from '@/core/tokens/webhook';
import type { Listed } from '../lists/page';

/** What is known of one thing: its record as a short hash, and the UID by which others know it. */
type Known = Readonly<{ hash: string; uid: string }>;

/** All that somebody sees, by list and id. */
export type State = ReadonlyMap<string, Known>;

/** Something began to be seen, is otherwise, or is seen no more: ids alone, of what is gone the UID. */
export type Happening = Readonly<
  | { list: FollowedList; change: 'new' | 'changed'; id: string; uid: string }
  | { list: FollowedList; change: 'gone'; uid: string }
>;

const HASH_LENGTH = 16;

export const stateOf = (lists: readonly (readonly [FollowedList, readonly Listed<object>[]])[]): State =>
  new Map(
    lists.flatMap(([list, things]) =>
      things.map(({ id, uid = id, record }) => {
        const hash = createHash('sha256').update(JSON.stringify(record)).digest('base64url').slice(0, HASH_LENGTH); // prettier-ignore
        return [`${list} ${id}`, { hash, uid }] as const;
      }),
    ),
  );

const listAndId = (key: string): readonly [FollowedList, string] => {
  const [list, id] = key.split(' ');
  return [list as FollowedList, id ?? ''];
};

/** What happened between two states, by list and id. */
export function happenedBetween(before: State, after: State): Happening[] {
  const events: Happening[] = [];
  for (const [key, { hash, uid }] of after) {
    const known = before.get(key);
    if (known?.hash === hash) continue;
    const [list, id] = listAndId(key);
    events.push({ list, change: known ? 'changed' : 'new', id, uid });
  }
  for (const [key, { uid }] of before)
    if (!after.has(key)) events.push({ list: listAndId(key)[0], change: 'gone', uid });
  return events;
}

export const written = (state: State): string =>
  gzipSync(JSON.stringify([...state].map(([key, { hash, uid }]) => [key, hash, uid]))).toString('base64');

export const read = (text: string): State =>
  new Map(
    (JSON.parse(gunzipSync(Buffer.from(text, 'base64')).toString('utf8')) as [string, string, string][]).map(
      ([key, hash, uid]) => [key, { hash, uid }],
    ),
  );

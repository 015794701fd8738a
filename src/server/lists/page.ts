import type { ListQuery } from '@/core/frame/listQuery';
import { momentText } from '@/core/time/zonedWall';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';

/** A record of a list, with what it is found by. `days`: the first and the last day that it touches. */
export type Listed<T> = Readonly<{
  id: string;
  record: T;
  courses?: readonly string[];
  term?: string;
  kind?: string;
  uid?: string;
  days?: readonly [string, string];
  changedMs?: number;
}>;

export type Page<T> = Readonly<{ items: readonly T[]; next?: string }>;

/** The record of an id. */
export function recordOf<T>(all: readonly Listed<T>[], id: string): Outcome<T> {
  const found = all.find((one) => one.id === id);
  return found ? done(found.record) : refused('notFound');
}

/** The page of a list that was asked for: by id, after the cursor. */
export function pageOf<T>(all: readonly Listed<T>[], query: ListQuery): Page<T> {
  const { id, course, term, kind, uid, changedSince, limit } = query;
  const from = query.from && momentText(query.from);
  const to = query.to && momentText(query.to);
  const after = query.cursor === undefined ? '' : Buffer.from(query.cursor, 'base64url').toString('utf8');
  const found = all
    .filter(
      (one) =>
        (course === undefined || (one.courses ?? []).includes(course)) &&
        (term === undefined || one.term === term) &&
        (kind === undefined || one.kind === kind) &&
        (id === undefined || one.id === id) &&
        (uid === undefined || one.uid === uid) &&
        (from === undefined || (one.days !== undefined && one.days[1] >= from)) &&
        (to === undefined || (one.days !== undefined && one.days[0] <= to)) &&
        (changedSince === undefined || (one.changedMs !== undefined && one.changedMs > changedSince)) &&
        one.id > after,
    )
    .sort((a, b) => (a.id < b.id ? -1 : 1));
  const items = found.slice(0, limit);
  const last = found.length > limit ? items.at(-1) : undefined;
  return {
    items: items.map(({ record }) => record),
    ...(last ? { next: Buffer.from(last.id, 'utf8').toString('base64url') } : {}),
  };
}

import type { SharedFacts } from './facts';

/** An entry without what belongs to single people or to where it came from: replies, extended due dates, who has begun, a file's UID. */
export function withoutPeople(entry: SharedFacts): SharedFacts {
  const { sourceUid: _, ...own } = entry;
  switch (own.kind) {
    case 'event':
      return own.coming ? { ...own, coming: { ...own.coming, replies: [] } } : own;
    case 'assignment':
      return { ...own, extensions: [], starts: undefined };
    case 'announcement':
      return own;
    default:
      return own satisfies never;
  }
}

import { forgetOldest } from '@/server/forgetOldest';

/** Views of one plan that are kept: a person goes to and fro between few pages. */
const MOST = 5;
const keptBy = new WeakMap<object, Map<string, unknown>>();

/**
 * What is made of something that is kept itself (a plan as somebody sees it, its occurrences) and of what `key` says, and of
 * nothing else: it is made once, and goes with what it was made of. For what is never changed afterwards.
 */
export function keptView<T>(of: object, key: readonly unknown[], make: () => T): T {
  const views = keptBy.get(of) ?? new Map<string, unknown>();
  keptBy.set(of, views);
  const name = JSON.stringify(key);
  const view = views.has(name) ? (views.get(name) as T) : make();
  views.delete(name);
  views.set(name, view);
  forgetOldest(views, MOST);
  return view;
}

let last = 0;
const numbers = new WeakMap<object, number>();

/** A number for something that is kept, for a key: the same as long as it is the same one. What is empty is always the same. */
export function numberOf(kept: (object & { length: number }) | (object & { size: number })): number {
  if (('length' in kept ? kept.length : kept.size) === 0) return 0;
  const number = numbers.get(kept) ?? ++last;
  numbers.set(kept, number);
  return number;
}

/** A moment for a key, to the minute: so old may be what is shown; what is decided is decided by the instant. */
export const minuteOf = ({ epochMilliseconds }: Readonly<{ epochMilliseconds: number }>): number =>
  Math.floor(epochMilliseconds / 60_000);

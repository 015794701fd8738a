import { forgetOldest } from './forgetOldest';
import type { Pembit } from './pembit';

type Kept<T> = Readonly<{ version: string; value: Promise<T> }>;

const counts = new Set<() => number>();

/** How many reads are kept in this module instance, of all kinds. */
export const keptCounts = (): number => [...counts].reduce((sum, count) => sum + count(), 0);

/**
 * Reads that are kept in memory until something is written (with `scopes`: something that concerns one of them; with none of them: what
 * nobody's own acts change, such as who is where and what the school has set), `most` of them for each open data folder; the longest unused
 * goes first. `holds` says whether what was read still does, where time alone may end that. Only for reading: whoever decides
 * about a write reads within its transaction.
 */
export function keptReads<T>(most: number, holds: (pembit: Pembit, value: T) => boolean = () => true) {
  const keptBy = new WeakMap<Pembit['queue'], Map<string, Kept<T>>>();
  let size = 0;
  counts.add(() => size);
  return async (
    pembit: Pembit,
    key: string,
    read: () => Promise<T>,
    scopes?: readonly string[],
  ): Promise<T> => {
    const { queue } = pembit;
    const kept = keptBy.get(queue) ?? new Map<string, Kept<T>>();
    keptBy.set(queue, kept);
    // Taken before reading: a write that is committed meanwhile makes what was read outdated at once.
    const version = scopes ? queue.versionFor(scopes) : String(queue.version());
    const known = kept.get(key);
    kept.delete(key);
    const found = known?.version === version ? known : { version, value: read() };
    found.value.catch(() => kept.delete(key));
    kept.set(key, found);
    forgetOldest(kept, most);
    size = kept.size;
    const value = await found.value;
    if (found === known && !holds(pembit, value)) {
      const anew = { version, value: read() };
      anew.value.catch(() => kept.delete(key));
      kept.set(key, anew);
      return anew.value;
    }
    return value;
  };
}

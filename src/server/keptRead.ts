import type { Pembit } from './pembit';

type Kept<T> = Readonly<{ version: number; value: Promise<T> }>;

/**
 * Reads that are kept in memory until something is written, `most` of them for each open data folder; the longest unused
 * goes first. Only for reading: whoever decides about a write reads within its transaction.
 */
export function keptReads<T>(most: number) {
  const keptBy = new WeakMap<Pembit['queue'], Map<string, Kept<T>>>();
  return ({ queue }: Pembit, key: string, read: () => Promise<T>): Promise<T> => {
    const kept = keptBy.get(queue) ?? new Map<string, Kept<T>>();
    keptBy.set(queue, kept);
    // Taken before reading: a write that is committed meanwhile makes what was read outdated at once.
    const version = queue.version();
    const known = kept.get(key);
    kept.delete(key);
    const found = known?.version === version ? known : { version, value: read() };
    found.value.catch(() => kept.delete(key));
    kept.set(key, found);
    for (const oldest of kept.keys()) {
      if (kept.size <= most) break;
      kept.delete(oldest);
    }
    return found.value;
  };
}

import type { OutletId } from '@/core/ids';

export type Coding = 'identity' | 'gzip' | 'br';

export type CachedAnswer = Readonly<{
  outlet: OutletId;
  bodies: Readonly<Record<Coding, Buffer>>;
  etags: Readonly<Record<Coding, string>>;
  headers: Readonly<Record<string, string>>;
  /** As HTTP writes it. */
  lastModified: string;
  /** The moment until which the body holds though nothing is written. */
  validUntilMs: number;
  bytes: number;
}>;

type Entry = { version: string; answer: CachedAnswer; seenAt: number };

export type OutletCache = Readonly<{
  /** An answer that was found to hold when the write queue stood where it stands now: nothing needs to be asked. */
  fresh: (key: string, queueVersion: number, nowMs: number) => CachedAnswer | undefined;
  get: (key: string, version: string, queueVersion: number, nowMs: number) => CachedAnswer | undefined;
  set: (key: string, version: string, queueVersion: number, answer: CachedAnswer) => void;
}>;

/** Answers by address and version, the least recently used ones dropped beyond `limitBytes`. */
export function createOutletCache(limitBytes = 64 * 1024 * 1024): OutletCache {
  const entries = new Map<string, Entry>();
  let bytes = 0;
  const drop = (key: string) => {
    bytes -= entries.get(key)?.answer.bytes ?? 0;
    entries.delete(key);
  };
  const touch = (key: string, entry: Entry) => {
    entries.delete(key);
    entries.set(key, entry);
    return entry.answer;
  };
  return {
    fresh(key, queueVersion, nowMs) {
      const entry = entries.get(key);
      if (!entry || entry.seenAt !== queueVersion || nowMs >= entry.answer.validUntilMs) return undefined;
      return touch(key, entry);
    },
    get(key, version, queueVersion, nowMs) {
      const entry = entries.get(key);
      if (!entry) return undefined;
      if (entry.version !== version || nowMs >= entry.answer.validUntilMs) {
        drop(key);
        return undefined;
      }
      entry.seenAt = queueVersion;
      return touch(key, entry);
    },
    set(key, version, queueVersion, answer) {
      drop(key);
      entries.set(key, { version, answer, seenAt: queueVersion });
      bytes += answer.bytes;
      for (const oldest of entries.keys()) {
        if (bytes <= limitBytes || oldest === key) break;
        drop(oldest);
      }
    },
  };
}

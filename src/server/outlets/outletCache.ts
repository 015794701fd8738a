export type Coding = 'identity' | 'gzip' | 'br';

export type CachedAnswer = Readonly<{
  bodies: Readonly<Record<Coding, Buffer>>;
  etags: Readonly<Record<Coding, string>>;
  headers: Readonly<Record<string, string>>;
  lastModifiedMs: number;
  /** The moment until which the body holds though nothing is written. */
  validUntilMs: number;
  bytes: number;
}>;

export type OutletCache = Readonly<{
  get: (key: string, version: string, nowMs: number) => CachedAnswer | undefined;
  set: (key: string, version: string, answer: CachedAnswer) => void;
}>;

/** Answers by path and version, the least recently used ones dropped beyond `limitBytes`. */
export function createOutletCache(limitBytes = 64 * 1024 * 1024): OutletCache {
  const entries = new Map<string, { version: string; answer: CachedAnswer }>();
  let bytes = 0;
  const drop = (key: string) => {
    bytes -= entries.get(key)?.answer.bytes ?? 0;
    entries.delete(key);
  };
  return {
    get(key, version, nowMs) {
      const entry = entries.get(key);
      if (!entry) return undefined;
      if (entry.version !== version || nowMs >= entry.answer.validUntilMs) {
        drop(key);
        return undefined;
      }
      entries.delete(key);
      entries.set(key, entry);
      return entry.answer;
    },
    set(key, version, answer) {
      drop(key);
      entries.set(key, { version, answer });
      bytes += answer.bytes;
      for (const oldest of entries.keys()) {
        if (bytes <= limitBytes || oldest === key) break;
        drop(oldest);
      }
    },
  };
}

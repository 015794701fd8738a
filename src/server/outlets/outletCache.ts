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

/** An answer whose bytes may be gone: by its tags whoever has it already is told so. */
export type RememberedAnswer = Omit<CachedAnswer, 'bodies'> & Readonly<{ bodies?: CachedAnswer['bodies'] }>;

type Entry = { version: string; answer: RememberedAnswer; seenAt: number };

export type OutletCache = Readonly<{
  /** An answer that was found to hold when the write queue stood where it stands now: nothing needs to be asked. */
  fresh: (key: string, queueVersion: number, nowMs: number) => RememberedAnswer | undefined;
  get: (key: string, version: string, queueVersion: number, nowMs: number) => RememberedAnswer | undefined;
  set: (key: string, version: string, queueVersion: number, answer: CachedAnswer) => void;
}>;

type Limits = Readonly<{
  /** Of the bodies that are kept. */
  bytes?: number;
  /** How many answers are remembered, with their bytes or without: a kilobyte each. */
  answers?: number;
}>;

/**
 * Answers by address and version. Beyond `bytes` the least recently used lose their bodies: calendars that ask with the tag of what
 * they have, as nearly all do, are answered without making it anew. Beyond `answers` they are forgotten.
 */
export function createOutletCache({
  bytes: most = 64 * 1024 * 1024,
  answers = 20_000,
}: Limits = {}): OutletCache {
  const entries = new Map<string, Entry>();
  /** Those of them that have bodies, in the order of their use. */
  const withBodies = new Map<string, number>();
  let bytes = 0;
  const loseBody = (key: string) => {
    bytes -= withBodies.get(key) ?? 0;
    withBodies.delete(key);
    const entry = entries.get(key);
    if (entry) entry.answer = { ...entry.answer, bodies: undefined };
  };
  const drop = (key: string) => {
    loseBody(key);
    entries.delete(key);
  };
  const touch = (key: string, entry: Entry) => {
    entries.delete(key);
    entries.set(key, entry);
    const size = withBodies.get(key);
    if (size !== undefined) {
      withBodies.delete(key);
      withBodies.set(key, size);
    }
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
      withBodies.set(key, answer.bytes);
      bytes += answer.bytes;
      for (const oldest of withBodies.keys()) {
        if (bytes <= most || oldest === key) break;
        loseBody(oldest);
      }
      for (const oldest of entries.keys()) {
        if (entries.size <= answers || oldest === key) break;
        drop(oldest);
      }
    },
  };
}

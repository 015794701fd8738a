import { createHash } from 'node:crypto';
import type { Tries } from '@/data/people/tries';
import { triesSince, writeTries } from '@/data/people/tries';
import type { Reader } from '@/data/database';
import type { WriteQueue } from '@/data/writeQueue';
import type { Clock } from '../clock';
import { forgetOldest } from '../forgetOldest';

/** Where tries are counted. */
export type Counting = Readonly<{
  tries: Map<string, Tries>;
  unwrittenTries: Set<string>;
  now: Clock;
  queue: WriteQueue;
}>;

const MINUTE = 60_000;
/**
 * How often in how long. What one address may get wrong is counted for each account by itself: a class behind one address
 * does not shut itself out; all together may be wrong as often as several classes are in a bad hour.
 */
const LIMITS = {
  /** A wrong password or code, for one account from one address. */
  signIn: { most: 10, within: 15 * MINUTE },
  /** For one account, from anywhere: afterwards each address has few tries left, but the owner's own is not shut out by others. */
  account: { most: 60, within: 60 * MINUTE },
  /** For an account at which many others have tried, from one address. */
  besieged: { most: 3, within: 15 * MINUTE },
  /** From one address, for any account. */
  address: { most: 500, within: 15 * MINUTE },
  /** An address of an outlet, a link or a joining that is none, from one network address. */
  token: { most: 600, within: 15 * MINUTE },
  /** Letters with a link for a new password, asked for from one address. */
  letter: { most: 30, within: 60 * MINUTE },
  /** Such letters to one mailbox. */
  mailbox: { most: 3, within: 60 * MINUTE },
  /** All letters that people ask for who are not signed in. */
  anonymousLetters: { most: 600, within: 60 * MINUTE },
  /** Requests to join one course without being signed in. */
  joining: { most: 200, within: 60 * MINUTE },
  /** Codes with which an empty installation is set up. */
  setup: { most: 20, within: 15 * MINUTE },
  /** Times taken, given back or exchanged by one person. */
  booking: { most: 60, within: MINUTE },
  /** Questions, answers and reports by one person. */
  questions: { most: 20, within: 15 * MINUTE },
  /** Addresses of others that one person has the server open. */
  linkTest: { most: 20, within: MINUTE },
} as const;
export type Tried = keyof typeof LIMITS;
const LONGEST = Math.max(...Object.values(LIMITS).map(({ within }) => within));
/** More than a school has people and devices; beyond it the oldest are forgotten. */
const MOST_KEPT = 50_000;

const keyOf = (what: Tried, who: string) => createHash('sha256').update(`${what} ${who}`).digest('base64url');

/** What was tried before the process began. */
export const keptTries = (reader: Reader, nowMs: number): Promise<Map<string, Tries>> =>
  triesSince(reader, nowMs - LONGEST);

/** How long somebody who has tried something as often as they may has to wait; 0 where they may go on. */
export function secondsToWait({ tries, now }: Counting, what: Tried, who: string): number {
  const { most, within } = LIMITS[what];
  const known = tries.get(keyOf(what, who));
  if (known === undefined || known.count < most) return 0;
  return Math.max(0, Math.ceil((known.sinceMs + within - now().epochMilliseconds) / 1000));
}

/** What a limit allows, and how much of it is left to somebody, for how many seconds. */
export function limitOf(
  { tries, now }: Counting,
  what: Tried,
  who: string,
): Readonly<{ most: number; seconds: number; left: number; resetSeconds: number }> {
  const { most, within } = LIMITS[what];
  const known = tries.get(keyOf(what, who));
  const endsMs = known ? known.sinceMs + within - now().epochMilliseconds : 0;
  const holds = known !== undefined && endsMs > 0;
  return {
    most,
    seconds: within / 1000,
    left: holds ? Math.max(0, most - known.count) : most,
    resetSeconds: holds ? Math.ceil(endsMs / 1000) : within / 1000,
  };
}

/** Notes a try: in memory, written down every few seconds. */
export function countTry({ tries, unwrittenTries, now }: Counting, what: Tried, who: string): void {
  const key = keyOf(what, who);
  const nowMs = now().epochMilliseconds;
  const known = tries.get(key);
  const holds = known !== undefined && nowMs - known.sinceMs < LIMITS[what].within;
  tries.delete(key);
  tries.set(key, holds ? { ...known, count: known.count + 1 } : { count: 1, sinceMs: nowMs });
  unwrittenTries.add(key);
  forgetOldest(tries, MOST_KEPT);
}

/** One thing that is tried, and by whom or at what. */
export type Try = readonly [what: Tried, who: string];

/**
 * Counts some tries at once, before the work that they limit: however many come in the same moment, no more than the limit go on.
 * Where one has been tried too often none is counted; answers for how many seconds to wait, 0 where it may go on.
 */
export function takeTries(counting: Counting, tries: readonly Try[]): number {
  const wait = Math.max(0, ...tries.map(([what, who]) => secondsToWait(counting, what, who)));
  if (wait === 0) for (const [what, who] of tries) countTry(counting, what, who);
  return wait;
}

/** Takes back tries that turned out right, or were not carried out. */
export function giveBackTries({ tries, unwrittenTries }: Counting, given: readonly Try[]): void {
  for (const [what, who] of given) {
    const key = keyOf(what, who);
    const known = tries.get(key);
    if (!known) continue;
    tries.set(key, { ...known, count: Math.max(0, known.count - 1) });
    unwrittenTries.add(key);
  }
}

/** Forgets what somebody got wrong, once they got it right. */
export function forgetTries({ tries, unwrittenTries }: Counting, what: Tried, who: string): void {
  const key = keyOf(what, who);
  const known = tries.get(key);
  if (!known) return;
  tries.set(key, { ...known, count: 0 });
  unwrittenTries.add(key);
}

/** Writes down what was counted since, so that it outlives the process. */
export async function keepTries({ tries, unwrittenTries, queue, now }: Counting): Promise<void> {
  if (unwrittenTries.size === 0) return;
  const counted = [...unwrittenTries].flatMap((key) => {
    const known = tries.get(key);
    return known ? [[key, known] as const] : [];
  });
  unwrittenTries.clear();
  const beforeMs = now().epochMilliseconds - LONGEST;
  await queue.write((writer) => writeTries(writer, counted, beforeMs), { aside: true });
}

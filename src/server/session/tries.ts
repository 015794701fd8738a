import { createHash } from 'node:crypto';
import type { Tries, TryCounts } from '@/data/people/tries';
import { triesSince } from '@/data/people/tries';
import type { Reader } from '@/data/reader';
import type { Clock } from '../clock';

/** Where tries are counted, and by which clock. */
export type Counting = Readonly<{ tries: TryCounts; now: Clock }>;

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

const keyOf = (what: Tried, who: string) => createHash('sha256').update(`${what} ${who}`).digest('base64url');

/** What was tried before the process began. */
export const keptTries = (reader: Reader, nowMs: number): Promise<Map<string, Tries>> =>
  triesSince(reader, nowMs - LONGEST);

/** How long somebody who has tried something as often as they may has to wait; 0 where they may go on. */
export async function secondsToWait({ tries, now }: Counting, what: Tried, who: string): Promise<number> {
  const { most, within } = LIMITS[what];
  const known = await tries.read(keyOf(what, who));
  if (known === undefined || known.count < most) return 0;
  return Math.max(0, Math.ceil((known.sinceMs + within - now().epochMilliseconds) / 1000));
}

/** What a limit allows, and how much of it is left to somebody, for how many seconds. */
export async function limitOf(
  { tries, now }: Counting,
  what: Tried,
  who: string,
): Promise<Readonly<{ most: number; seconds: number; left: number; resetSeconds: number }>> {
  const { most, within } = LIMITS[what];
  const known = await tries.read(keyOf(what, who));
  const endsMs = known ? known.sinceMs + within - now().epochMilliseconds : 0;
  const holds = known !== undefined && endsMs > 0;
  return {
    most,
    seconds: within / 1000,
    left: holds ? Math.max(0, most - known.count) : most,
    resetSeconds: holds ? Math.ceil(endsMs / 1000) : within / 1000,
  };
}

/** One thing that is tried, and by whom or at what. */
export type Try = readonly [what: Tried, who: string];

const keysOf = (tries: readonly Try[]) => tries.map(([what, who]) => keyOf(what, who));

/**
 * Counts some tries at once, before the work that they limit: however many come in the same moment, no more than the limit go on.
 * Where one has been tried too often none is counted; answers for how many seconds to wait, 0 where it may go on.
 */
export async function takeTries(counting: Counting, asked: readonly Try[]): Promise<number> {
  const limits = asked.map(([what, who]) => ({ key: keyOf(what, who), ...LIMITS[what] }));
  if (await counting.tries.take(limits, counting.now().epochMilliseconds)) return 0;
  const waits = await Promise.all(asked.map(([what, who]) => secondsToWait(counting, what, who)));
  // What was counted is over in the moment in which it is asked for how long.
  return Math.max(1, ...waits);
}

/** Takes back tries that turned out right, or were not carried out. */
export const giveBackTries = ({ tries }: Counting, given: readonly Try[]): Promise<void> =>
  tries.giveBack(keysOf(given));

/** Forgets what somebody got wrong, once they got it right. */
export const forgetTries = ({ tries }: Counting, what: Tried, who: string): Promise<void> =>
  tries.clear(keyOf(what, who));

/** Writes down what was counted since, so that it outlives the process. */
export const keepTries = ({ tries, now }: Counting): Promise<void> =>
  tries.keep(now().epochMilliseconds - LONGEST);

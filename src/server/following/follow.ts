import { randomUUID } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { putCursor, stateAt } from '@/data/following/followed';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import type { Happening, State } from './state';
import { happenedBetween, read, written } from './state';
import { stateNow } from './stateNow';

/** So many cursors of one follower are known. */
const MOST_CURSORS = 20;
/** How often it is looked whether something was written, and how often whether the clock showed or hid something. */
const LOOK_MS = 250;
const CLOCK_MS = 10_000;

export type Followed = Readonly<{ events: readonly Happening[]; next: string }>;

/**
 * What began, ceased or changed for somebody since a cursor, whatever brought it about: an act, the clock, a roster. Without a
 * cursor: one for now. Where nothing did it waits, for so many seconds at most, or until the process is to end. `again` says who asks
 * by the time it looks: nothing any more to whoever may not.
 */
export async function follow(
  pembit: Pembit,
  { after, wait }: Readonly<{ after?: string; wait: number }>,
  again: () => Promise<SignedIn | undefined>,
): Promise<Outcome<Followed>> {
  const first = await again();
  if (!first) return refused('notSignedIn');
  const follower = first.token ?? first.person.id;
  const put = async (state: State): Promise<string> => {
    const id = randomUUID();
    const nowMs = pembit.now().epochMilliseconds;
    await pembit.queue.write((writer) => putCursor(writer, { id, person: first.person.id, follower, state: written(state), nowMs, most: MOST_CURSORS }), { aside: true }); // prettier-ignore
    return id;
  };
  if (after === undefined) return done({ events: [], next: await put(await stateNow(pembit, first)) });
  const stored = await stateAt(pembit, { id: after, follower });
  if (stored === undefined) return refused('cursorGone');
  const before = read(stored);
  const untilMs = Date.now() + wait * 1000;
  let actor = first;
  for (;;) {
    const version = pembit.queue.version();
    const now = await stateNow(pembit, actor);
    const events = happenedBetween(before, now);
    if (events.length > 0) return done({ events, next: await put(now) });
    if (!(await changes(pembit, version, untilMs))) return done({ events: [], next: after });
    const still = await again();
    if (!still) return refused('notSignedIn');
    actor = still;
  }
}

/** Waits until something may have changed; false when it is time to answer. */
async function changes({ queue, stopping }: Pembit, version: number, untilMs: number): Promise<boolean> {
  const clockMs = Date.now() + CLOCK_MS;
  while (queue.version() === version && Date.now() < clockMs) {
    const leftMs = Math.min(untilMs, clockMs) - Date.now();
    if (stopping.aborted || untilMs <= Date.now()) return false;
    await sleep(Math.max(1, Math.min(LOOK_MS, leftMs)), undefined, { signal: stopping }).catch(
      () => undefined,
    );
  }
  return !stopping.aborted && Date.now() < untilMs;
}

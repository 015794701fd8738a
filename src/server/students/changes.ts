import type { Temporal } from 'temporal-polyfill';
import { coursesOf } from '@/core/entries/viewer';
import type { SeenChange } from '@/core/plan/changesSince';
import { changesSince } from '@/core/plan/changesSince';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { earlierStates, lookedAt, writeLooked } from '@/data/students/students';
import { keptReads } from '../keptRead';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

const kept = keptReads<readonly SeenChange[]>(400);

/** What has changed in a plan since an instant, for whoever sees it. */
export async function changesFor(
  pembit: Pembit,
  { viewer }: Pick<SignedIn, 'viewer'>,
  plan: SeenPlan,
  since: Temporal.Instant,
): Promise<readonly SeenChange[]> {
  const termOf = new Map(plan.courses.map((course) => [course.id, course.term]));
  const tzidOf = new Map(plan.terms.map((term) => [term.id, term.tzid]));
  const earlier = await earlierStates(
    pembit,
    coursesOf(viewer).filter((course) => !viewer.staffOf.has(course)),
    since.epochMilliseconds,
    (course) => tzidOf.get(termOf.get(course)!) ?? 'UTC',
  );
  return changesSince(plan, earlier, { since, now: pembit.now() });
}

/** What a student has not seen yet. On the first visit nothing is news: from then on it is kept when they looked. */
export async function unseenChanges(
  pembit: Pembit,
  actor: SignedIn,
  plan: SeenPlan,
): Promise<readonly SeenChange[]> {
  if (actor.viewer.memberOf.size === 0) return [];
  const { id } = actor.person;
  const looked = await lookedAt(pembit, id);
  const nowMs = pembit.now().epochMilliseconds;
  if (!looked) {
    await pembit.queue.write((writer) => writeLooked(writer, id, { lookedAtMs: nowMs }), { aside: true });
    return [];
  }
  const minute = Math.floor(nowMs / 60_000);
  const key = `${id} ${looked.lookedAt.epochMilliseconds} ${minute}`;
  return kept(pembit, key, () => changesFor(pembit, actor, plan, looked.lookedAt));
}

/** Says that all that has changed up to now was seen. */
export const lookNow = (pembit: Pembit, { person }: SignedIn): Promise<void> =>
  pembit.queue.write(
    (writer) => writeLooked(writer, person.id, { lookedAtMs: pembit.now().epochMilliseconds }),
    { aside: true },
  );

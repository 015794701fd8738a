import type { Metadata } from 'next';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { sharedPembit } from '@/server/pembit';
import type { SignedIn } from '@/server/session/session';
import { signedIn } from './signedIn';

type Awaitable<T> = T | Promise<T>;

/**
 * The title of a page about one thing: what it is called in what somebody sees; `general` for whoever is not signed in, or
 * does not see it.
 */
export async function titleOfPage(
  general: string,
  find: (plan: SeenPlan, actor: SignedIn) => Awaitable<string | undefined>,
): Promise<Metadata> {
  const actor = await signedIn();
  const plan = actor && (await planSeenBy(sharedPembit(), actor.viewer));
  return { title: (plan && (await find(plan, actor))) || general };
}

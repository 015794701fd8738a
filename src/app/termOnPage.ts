import { cookies, headers } from 'next/headers';
import { cache } from 'react';
import type { Temporal } from 'temporal-polyfill';
import { TERM_COOKIE, TERM_HEADER } from '@/core/frame/chosenTerm';
import type { TermId } from '@/core/ids';
import type { SeenPlan } from '@/core/plan/seenPlan';
import type { Term } from '@/core/time/term';
import { shownTerm, termsBeside } from '@/core/time/term';
import { sharedPembit } from '@/server/pembit';
import { todayIn } from '@/server/plan/todayIn';

/** The id of the term that somebody chose to look at: by the address of the page, else before; undefined: the current one. */
export const chosenTerm = cache(
  async (): Promise<string | undefined> =>
    (await headers()).get(TERM_HEADER) || (await cookies()).get(TERM_COOKIE)?.value,
);

/** The term that a page speaks of, with those that share days with it, and today where it is taught. */
export async function termOnPage(
  plan: Pick<SeenPlan, 'terms'>,
): Promise<Readonly<{ term?: Term; beside: ReadonlySet<TermId>; today: Temporal.PlainDate }>> {
  const today = todayIn(sharedPembit(), plan);
  const term = shownTerm(plan.terms, today, await chosenTerm());
  return { term, beside: term ? termsBeside(plan.terms, term) : new Set(), today };
}

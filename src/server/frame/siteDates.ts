import { randomUUID } from 'node:crypto';
import type { SiteDateInput } from '@/core/frame/frameInput';
import type { SiteDateId, TermId } from '@/core/ids';
import type { SiteDate } from '@/core/plan/plan';
import { mayOffice } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import type { Change } from '@/data/history/change';
import { fromSiteDate } from '@/data/plan/frameRows';
import { courseIdsOf } from '@/data/plan/frameStore';
import { allTerms, siteDatesOf } from '@/data/plan/loadPlan';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

async function concernTerm(change: Change, term: TermId): Promise<void> {
  change.concerns(...(await courseIdsOf(change, term)).map((course) => `course:${course}` as const));
}

/** The administrator adds a date for everyone: an exam day, a deadline. Classes go on. */
export function addSiteDate(
  pembit: Pembit,
  actor: SignedIn,
  input: SiteDateInput,
): Promise<Outcome<{ name: string }>> {
  return perform(pembit, actor, 'addSiteDate', async (change) => {
    if (!mayOffice(actor, 'addSiteDate')) return refused('notYours');
    if (!(await allTerms(change)).some((term) => term.id === input.term)) return refused('notFound');
    const date: SiteDate = {
      id: randomUUID() as SiteDateId,
      term: input.term,
      name: input.name,
      start: input.firstDay,
      end: input.lastDay.add({ days: 1 }),
      at: input.at,
      created: pembit.now(),
    };
    await change.insert('site_dates', [fromSiteDate(date)]);
    await concernTerm(change, date.term);
    change.summarise(frameHistoryTexts.addedDate({ name: date.name }));
    return done({ name: date.name });
  });
}

export function removeSiteDate(
  pembit: Pembit,
  actor: SignedIn,
  id: SiteDateId,
): Promise<Outcome<{ name: string }>> {
  return perform(pembit, actor, 'removeSiteDate', async (change) => {
    if (!mayOffice(actor, 'removeSiteDate')) return refused('notYours');
    const terms = (await allTerms(change)).map((term) => term.id);
    const date = (await siteDatesOf(change, terms)).find((d) => d.id === id);
    if (!date) return refused('notFound');
    await change.remove('site_dates', id);
    await concernTerm(change, date.term);
    change.summarise(frameHistoryTexts.removedDate({ name: date.name }));
    return done({ name: date.name });
  });
}

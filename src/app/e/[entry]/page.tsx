import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { entryTexts } from '@/core/texts/entries';
import { currentTerm } from '@/core/time/term';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { recordShown } from '@/server/plan/recordShown';
import { todayIn } from '@/server/plan/todayIn';
import { sharedPembit } from '@/server/pembit';
import { ReadEntry } from '@/ui/entries/ReadEntry';
import { panelEntry } from '@/ui/entries/panelView';
import { PageFrame } from '../../PageFrame';
import { signedInOr } from '../../signedIn';

export const metadata: Metadata = { title: entryTexts.kind.event };

/** One entry by its address, as the signed-in person may see it. */
export default async function EntryPage({ params }: { params: Promise<{ entry: string }> }) {
  const { entry: id } = await params;
  const actor = await signedInOr(`/e/${id}`);
  const pembit = sharedPembit();
  const plan = await planSeenBy(pembit, actor.viewer);
  const entry = plan.entries.find((e) => e.id === id);
  await recordShown(pembit, actor.person.id, { entries: entry ? [entry] : [] });
  if (!entry) notFound();
  const term = currentTerm(plan.terms, todayIn(pembit, plan));
  return (
    <PageFrame actor={actor}>
      <ReadEntry
        entry={panelEntry(entry, { courses: plan.courses, term, locale: plan.locale, mayEdit: false })}
      />
    </PageFrame>
  );
}

import type { Metadata } from 'next';
import { Link } from '@/ui/controls/Link';
import { todayTexts } from '@/core/texts/today';
import { termTexts } from '@/core/texts/term';
import { sharedPembit } from '@/server/pembit';
import { homelessPlans } from '@/server/plan/homelessPlans';
import type { Zoom } from '@/ui/term/termView';
import { termView } from '@/ui/term/termView';
import { packed } from '@/ui/controls/packed';
import { TermDesk } from '@/ui/term/TermDesk';
import { keptView } from '../keptView';
import { planPage } from '../planPage';
import { PlanFrame } from '../PlanFrame';
import styles from '../planFrame.module.css';
import { termOnPage } from '../termOnPage';

export const metadata: Metadata = { title: 'Term' };

type Search = Promise<Record<string, string | undefined>>;

function zoomOf({ weeks, from }: Awaited<Search>): Zoom {
  const first = Math.max(1, Math.min(60, Number(from) || 1));
  return weeks === 'six' || weeks === 'one' ? { kind: weeks, from: first } : { kind: 'all' };
}

export default async function TermPage({ searchParams }: { searchParams: Search }) {
  const search = await searchParams;
  const page = await planPage('/term', search);
  const { plan, term, occurrences, shown, mayMove, today, data } = page;
  const zoom = zoomOf(search);
  const { beside } = await termOnPage(plan);
  const homeless = page.as ? [] : await homelessPlans(sharedPembit(), page.actor, beside);
  return (
    <PlanFrame page={page} empty={[termTexts.noCourses, termTexts.noCoursesLead]}>
      {homeless.length > 0 ? (
        <ul className={`notice ${styles.waiting}`} aria-label={todayTexts.waits}>
          {homeless.map(({ key, name, titles }) => (
            <li key={key}>
              <Link href={`/courses/${encodeURIComponent(key)}`}>
                {todayTexts.waitsForClass(titles, name)}
              </Link>
            </li>
          ))}
        </ul>
      ) : null}
      {term && data ? (
        <TermDesk
          view={keptView(occurrences, ['term', term.id, today, zoom, search.open], () =>
            packed(termView({ plan, term, occurrences, shown, mayMove, zoom, open: search.open }, today)),
          )}
          data={packed(data)}
          today={today.toString()}
        />
      ) : null}
    </PlanFrame>
  );
}

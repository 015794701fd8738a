import type { Metadata } from 'next';
import { plainDate } from '@/core/fields';
import { termTexts } from '@/core/texts/term';
import { weekTexts } from '@/core/texts/week';
import { startIn } from '@/core/time/term';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { sharedPembit } from '@/server/pembit';
import { packed } from '@/ui/controls/packed';
import { WeekDesk } from '@/ui/week/WeekDesk';
import { weekView } from '@/ui/week/weekView';
import { keptView, minuteOf } from '../keptView';
import { planPage } from '../planPage';
import { PlanFrame } from '../PlanFrame';

export const metadata: Metadata = { title: weekTexts.name };

type Search = Promise<Record<string, string | undefined>>;

/** One week by the hour: `/week?from=DATE`, the week that holds the date. */
export default async function WeekPage({ searchParams }: { searchParams: Search }) {
  const search = await searchParams;
  const page = await planPage('/week', search);
  const { plan, term, occurrences, mayMove, today, data } = page;
  const now = sharedPembit().now();
  const asked = plainDate.safeParse(search.from);
  const date = asked.success ? asked.data : startIn(term, today);
  return (
    <PlanFrame page={page} empty={[termTexts.noCourses, termTexts.noCoursesLead]}>
      {term && data ? (
        <WeekDesk
          view={keptView(occurrences, ['week', term.id, date, minuteOf(now)], () =>
            packed(
              weekView(
                { plan, term, occurrences, mayMove },
                { date, now: toWall(requireZone(term.tzid), now) },
              ),
            ),
          )}
          data={packed(data)}
          today={today.toString()}
        />
      ) : null}
    </PlanFrame>
  );
}

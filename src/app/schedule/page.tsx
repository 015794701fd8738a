import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { isStaffOf } from '@/core/entries/viewer';
import { courseByKey, courseNames } from '@/core/plan/courseNames';
import { scheduleTexts } from '@/core/texts/schedule';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { sharedPembit } from '@/server/pembit';
import { PasteSchedule } from '@/ui/schedule/PasteSchedule';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';
import { termOnPage } from '../termOnPage';

export const metadata: Metadata = { title: scheduleTexts.title };

type Search = Promise<Readonly<{ course?: string }>>;

/** A course's schedule brought in by pasting it: `/schedule?course=HL 210`. */
export default async function SchedulePage({ searchParams }: { searchParams: Search }) {
  const { course } = await searchParams;
  const actor = await signedInOr('/schedule');
  const { viewer } = actor;
  if (viewer.staffOf.size === 0) redirect('/');
  const plan = await planSeenBy(sharedPembit(), viewer);
  const { term } = await termOnPage(plan);
  const asked = courseByKey(plan.courses, course ?? '');
  const own = plan.courses.filter(
    (c) => !c.archived && isStaffOf(viewer, c.id) && (c.term === term?.id || c.id === asked?.id),
  );
  const names = courseNames(own, plan.terms);
  const first = own.find(({ id }) => id === asked?.id) ?? own[0];
  return (
    <PageFrame actor={actor} plan={plan}>
      <h1>{scheduleTexts.title}</h1>
      <p className="soft">{scheduleTexts.lead}</p>
      {first ? (
        <PasteSchedule
          key={first.id}
          courses={own.map(({ id, tag, term: of }) => ({
            id,
            term: of,
            name: `${tag} ${names.get(id)!.title}`,
          }))}
          chosen={first.id}
          locale={plan.locale}
        />
      ) : null}
    </PageFrame>
  );
}

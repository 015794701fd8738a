import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { isStaffOf } from '@/core/entries/viewer';
import { signupTexts } from '@/core/texts/signup';
import { zoneBetween } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { todayIn } from '@/server/plan/todayIn';
import { sharedPembit } from '@/server/pembit';
import { NewSheet } from '@/ui/signup/NewSheet';
import { PageFrame } from '../../PageFrame';
import { signedInOr } from '../../signedIn';

export const metadata: Metadata = { title: signupTexts.newTitle };

export default async function NewSheetPage() {
  const actor = await signedInOr('/office-hours/new');
  const pembit = sharedPembit();
  const plan = await planSeenBy(pembit, actor.viewer);
  const now = pembit.now();
  const courses = plan.courses.filter((course) => isStaffOf(actor.viewer, course.id));
  if (courses.length === 0) redirect('/');
  const zoneOf = (term: string) => {
    const zone = requireZone(plan.terms.find((t) => t.id === term)?.tzid ?? 'Etc/UTC');
    // Two years on either side: more than any stretch that is offered today.
    return zoneBetween(zone, now.subtract({ hours: 24 * 730 }), now.add({ hours: 24 * 730 }));
  };
  return (
    <PageFrame actor={actor} plan={plan}>
      <h1>{signupTexts.newTitle}</h1>
      <p className="soft">{signupTexts.newLead}</p>
      <br />
      <NewSheet
        courses={courses.map(({ id, tag, title, students, term }) => ({
          id,
          tag,
          title,
          students,
          zone: zoneOf(term),
        }))}
        today={todayIn(pembit, plan).toString()}
        nowMs={now.epochMilliseconds}
      />
    </PageFrame>
  );
}

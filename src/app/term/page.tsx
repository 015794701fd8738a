import type { Metadata } from 'next';
import { isStaffOf } from '@/core/entries/viewer';
import { occurrencesOf } from '@/core/plan/occurrences';
import { termTexts } from '@/core/texts/term';
import { currentTerm } from '@/core/time/term';
import { requireZone } from '@/core/time/zoneData';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { todayIn } from '@/server/plan/todayIn';
import { sharedPembit } from '@/server/pembit';
import { withoutCourses } from '@/ui/frame/switchedCourses';
import { panelEntry } from '@/ui/entries/panelView';
import { TermPlanner } from '@/ui/term/TermPlanner';
import { termView } from '@/ui/term/termView';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';

export const metadata: Metadata = { title: 'Term' };

export default async function TermPage({ searchParams }: { searchParams: Promise<{ without?: string }> }) {
  const actor = await signedInOr('/term');
  const pembit = sharedPembit();
  const plan = await planSeenBy(pembit, actor.viewer);
  const today = todayIn(pembit, plan);
  const term = currentTerm(plan.terms, today);
  if (!term)
    return (
      <PageFrame actor={actor}>
        <div className="empty">
          <h2>{termTexts.noCourses}</h2>
          <p>{termTexts.noCoursesLead}</p>
        </div>
      </PageFrame>
    );
  const off = withoutCourses((await searchParams).without);
  const shown = new Set(
    plan.courses.filter((course) => !course.archived && !off.has(course.code)).map((course) => course.id),
  );
  const staff = plan.courses.some((course) => isStaffOf(actor.viewer, course.id));
  // The ruler tells staff that a time is taken; to students their own booking is an entry of the day.
  const occurrences = occurrencesOf(plan, requireZone).filter(
    (o) => o.courses.some((id) => shown.has(id)) && !(o.kind === 'booking' && !o.mine),
  );
  const planned = plan.courses.filter((course) => !course.archived && isStaffOf(actor.viewer, course.id));
  return (
    <PageFrame actor={actor} plan={plan} wide>
      <TermPlanner
        view={termView({ plan, term, occurrences, shown }, today)}
        entries={plan.entries.map((entry) =>
          panelEntry(entry, {
            courses: plan.courses,
            term,
            locale: plan.locale,
            mayEdit: entry.whole && entry.audience.every((part) => isStaffOf(actor.viewer, part.course)),
          }),
        )}
        courses={
          staff
            ? planned.map(({ id, tag, title, color, students, sections }) => ({
                id,
                tag,
                title,
                color,
                students,
                sections,
              }))
            : []
        }
        today={today.toString()}
      />
    </PageFrame>
  );
}

import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { isStaffOf } from '@/core/entries/viewer';
import { outsideTexts } from '@/core/texts/outside';
import { requireZone } from '@/core/time/zoneData';
import { calendarsFor } from '@/server/outside/calendars';
import { failureOf } from '@/server/outside/refreshCalendar';
import { schoolFrame } from '@/server/frame/schoolFrame';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { todayIn } from '@/server/plan/todayIn';
import { sharedPembit } from '@/server/pembit';
import { AddCalendar } from '@/ui/outside/AddCalendar';
import { CalendarCard } from '@/ui/outside/CalendarCard';
import { ImportFile } from '@/ui/outside/ImportFile';
import styles from '@/ui/outside/Outside.module.css';
import { calendarCard } from '@/ui/outside/outsideView';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';

export const metadata: Metadata = { title: outsideTexts.title };

export default async function CalendarsPage() {
  const actor = await signedInOr('/calendars');
  const { isAdmin } = actor.person;
  if (actor.viewer.staffOf.size === 0 && !isAdmin) redirect('/');
  const pembit = sharedPembit();
  const [plan, kept, frame] = await Promise.all([
    planSeenBy(pembit, actor.viewer),
    calendarsFor(pembit, actor),
    schoolFrame(pembit),
  ]);
  const today = todayIn(pembit, plan);
  const cards = kept.flatMap((one) => {
    const term = frame.terms.find(({ id }) => id === one.calendar.term);
    const failure = one.state?.failure ? failureOf(one.state.failure) : '';
    return term ? [calendarCard(one, { courses: plan.courses, term, zone: requireZone(term.tzid), today, failure, locale: frame.settings.locale })] : []; // prettier-ignore
  });
  const courses = plan.courses.filter((course) => isStaffOf(actor.viewer, course.id) && !course.archived);
  return (
    <PageFrame actor={actor}>
      <h1>{outsideTexts.title}</h1>
      <p className="soft">{outsideTexts.lead}</p>
      <div className={styles.columns}>
        <div className={styles.list}>
          {cards.length === 0 ? <p className="empty">{outsideTexts.none}</p> : null}
          {cards.map((card) => (
            <CalendarCard key={`${card.id} ${card.name} ${card.active}`} card={card} />
          ))}
        </div>
        <div className={styles.side}>
          <AddCalendar
            courses={courses.map(({ id, term, tag, title }) => ({ id, term, name: `${tag} ${title}` }))}
            terms={frame.terms.map(({ id, name }) => ({ id, name }))}
            whole={isAdmin}
          />
          {courses.length > 0 ? (
            <ImportFile courses={courses.map(({ id, tag, title }) => ({ id, name: `${tag} ${title}` }))} />
          ) : null}
        </div>
      </div>
    </PageFrame>
  );
}

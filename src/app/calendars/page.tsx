import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { isStaffOf } from '@/core/entries/viewer';
import { courseNames } from '@/core/plan/courseNames';
import { outsideTexts } from '@/core/texts/outside';
import { requireZone } from '@/core/time/zoneData';
import { calendarsFor } from '@/server/outside/calendars';
import { failureOf } from '@/server/outside/refreshCalendar';
import { schoolFrame } from '@/server/frame/schoolFrame';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { sharedPembit } from '@/server/pembit';
import { AddCalendar } from '@/ui/outside/AddCalendar';
import { CalendarCard } from '@/ui/outside/CalendarCard';
import { ImportFile } from '@/ui/outside/ImportFile';
import styles from '@/ui/outside/Outside.module.css';
import { calendarCard } from '@/ui/outside/outsideView';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';
import { termOnPage } from '../termOnPage';

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
  const { term: shown, beside, today } = await termOnPage(plan);
  const cards = kept.flatMap((one) => {
    const term = frame.terms.find(({ id }) => id === one.calendar.term);
    const failure = one.state?.failure ? failureOf(one.state.failure) : '';
    const elsewhere = shown !== undefined && !beside.has(one.calendar.term);
    return term ? [{ elsewhere, card: calendarCard(one, { courses: plan.courses, term, zone: requireZone(term.tzid), today, failure, locale: frame.settings.locale }) }] : []; // prettier-ignore
  });
  const [here, others] = [false, true].map((of) => cards.filter(({ elsewhere }) => elsewhere === of));
  const names = courseNames(plan.courses, plan.terms);
  // Of the term that is looked at first: the first is ticked.
  const courses = plan.courses
    .filter((course) => isStaffOf(actor.viewer, course.id) && !course.archived)
    .map(({ id, term, tag }) => ({
      id,
      term,
      name: `${tag} ${names.get(id)!.title}`,
      zone: frame.terms.find((each) => each.id === term)?.tzid ?? '',
    }))
    .sort((a, b) => Number(b.term === shown?.id) - Number(a.term === shown?.id));
  return (
    <PageFrame actor={actor}>
      <h1>{outsideTexts.title}</h1>
      <p className="soft">{outsideTexts.lead}</p>
      <div className={styles.columns}>
        <div className={styles.list}>
          {here!.length === 0 ? <p className="empty">{outsideTexts.none}</p> : null}
          {here!.map(({ card }) => (
            <CalendarCard key={`${card.id} ${card.name} ${card.active}`} card={card} />
          ))}
          {others!.length > 0 ? (
            <details>
              <summary>{outsideTexts.ofOtherTerms({ n: others!.length })}</summary>
              {others!.map(({ card }) => (
                <CalendarCard key={`${card.id} ${card.name} ${card.active}`} card={card} />
              ))}
            </details>
          ) : null}
        </div>
        <div className={styles.side}>
          <AddCalendar
            courses={courses}
            terms={frame.terms.map(({ id, name }) => ({ id, name }))}
            whole={isAdmin}
          />
          {courses.length > 0 ? <ImportFile courses={courses} /> : null}
        </div>
      </div>
    </PageFrame>
  );
}

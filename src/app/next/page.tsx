import type { Metadata } from 'next';
import Link from 'next/link';
import { occurrencesOf } from '@/core/plan/occurrences';
import { studentTexts } from '@/core/texts/student';
import { currentTerm } from '@/core/time/term';
import { weekAndDate } from '@/core/time/dateLabels';
import { requireZone } from '@/core/time/zoneData';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { recordShown } from '@/server/plan/recordShown';
import { todayIn } from '@/server/plan/todayIn';
import { sharedPembit } from '@/server/pembit';
import { withoutCourses } from '@/ui/frame/switchedCourses';
import { DayList } from '@/ui/student/DayList';
import { nextView } from '@/ui/student/nextView';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';
import styles from './next.module.css';

export const metadata: Metadata = { title: studentTexts.nextTitle };

export default async function NextPage({ searchParams }: { searchParams: Promise<{ without?: string }> }) {
  const actor = await signedInOr('/next');
  const pembit = sharedPembit();
  const plan = await planSeenBy(pembit, actor.viewer);
  const today = todayIn(pembit, plan);
  await recordShown(pembit, actor.person.id, plan);
  const off = withoutCourses((await searchParams).without);
  const shown = new Set(
    plan.courses.filter((course) => !course.archived && !off.has(course.code)).map((course) => course.id),
  );
  const occurrences = occurrencesOf(plan, requireZone).filter(
    (o) => o.kind === 'note' || o.courses.some((id) => shown.has(id)),
  );
  const view = nextView(plan, occurrences, { zoneOf: requireZone, now: pembit.now(), today });
  const term = currentTerm(plan.terms, today);
  return (
    <PageFrame actor={actor} plan={plan}>
      {term ? <p className="soft">{weekAndDate(term, today, plan.locale)}</p> : null}
      <h1>{studentTexts.nextTitle}</h1>
      {view.now ? (
        <section className={`card ${styles.now}`} data-course={view.now.line.tags[0]?.color}>
          <p className={styles.label}>{view.now.label}</p>
          <h2>
            {view.now.line.tags.map((tag) => (
              <span key={tag.tag} className="tag" data-course={tag.color}>
                {tag.tag}
              </span>
            ))}{' '}
            {view.now.line.title}
          </h2>
          {view.now.line.detail ? <p className="soft">{view.now.line.detail}</p> : null}
          <p className={styles.buttons}>
            {view.now.line.links.map((link, i) => (
              <a
                key={link.url}
                className={i === 0 ? styles.primary : styles.secondary}
                href={link.url}
                target="_blank"
                rel="noopener"
              >
                {link.label ? studentTexts.open(link.label) : studentTexts.openLink}
              </a>
            ))}
            <Link className={styles.secondary} href={`/day/${today}`}>
              {studentTexts.daySheet}
            </Link>
          </p>
        </section>
      ) : null}
      {view.days.length === 0 ? (
        <div className="empty">
          <h2>{studentTexts.nothingTitle}</h2>
          <p>{studentTexts.nothingLead}</p>
        </div>
      ) : null}
      {view.days.map((day) => (
        <section key={day.key} className={styles.day} aria-label={day.heading}>
          <div className={styles.dayHead}>
            <h2>
              <Link href={`/day/${day.key}`}>{day.heading}</Link>
            </h2>
            <span className="soft">{day.distance}</span>
          </div>
          <DayList lines={day.lines} />
        </section>
      ))}
    </PageFrame>
  );
}

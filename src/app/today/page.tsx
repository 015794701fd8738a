import TermIcon from '@mui/icons-material/GridOnOutlined';
import type { Metadata } from 'next';
import { Link } from '@/ui/controls/Link';
import { redirect } from 'next/navigation';
import type { ReactNode } from 'react';
import { isOnStaff } from '@/core/entries/viewer';
import { occurrencesOf } from '@/core/plan/occurrences';
import { awayTexts } from '@/core/texts/away';
import { studentTexts } from '@/core/texts/student';
import { todayTexts as say } from '@/core/texts/today';
import { timeOfYear } from '@/ui/frame/timeOfYear';
import { requireZone } from '@/core/time/zoneData';
import { settingsOf } from '@/server/students/settings';
import { ZoneOffer } from '@/ui/days/ZoneOffer';
import { findingsOf } from '@/server/checks/findings';
import { checkLine } from '@/ui/checks/checkLine';
import { ClosedDue } from '@/ui/today/ClosedDue';
import { SlideWaiting } from '@/ui/today/SlideWaiting';
import { sharedPembit } from '@/server/pembit';
import { lettersSoFar } from '@/server/history/lettersSoFar';
import { waitingCounts } from '@/server/plan/waitingCounts';
import { DayList } from '@/ui/student/DayList';
import { LettersSoFar } from '@/ui/today/LettersSoFar';
import { todayView } from '@/ui/today/todayView';
import { planPage } from '../planPage';
import { chosenTerm } from '../termOnPage';
import { PageFrame } from '../PageFrame';
import styles from './today.module.css';

export const metadata: Metadata = { title: say.title };

type Search = Promise<Record<string, string | undefined>>;

/** What whoever teaches begins with: what is next, who comes, what is due, what waits. */
export default async function TodayPage({ searchParams }: { searchParams: Search }) {
  const { actor, plan, term, today, shown } = await planPage('/today', await searchParams, {
    everyTerm: true,
  });
  if (!isOnStaff(actor.viewer)) redirect('/');
  const pembit = sharedPembit();
  const occurrences = occurrencesOf(plan, requireZone).filter(
    (o) => o.kind === 'note' || o.courses.some((id) => shown.has(id)),
  );
  const letters = await lettersSoFar(pembit, actor);
  const { open } = await findingsOf(pembit, actor, await chosenTerm());
  // Whoever closed the day, what is due on it waits for whoever set it.
  const onClosed = !term
    ? []
    : open
        .filter(
          ({ check, about }) =>
            check === 'onClosure' && 'entry' in about && about.entry.kind === 'assignment',
        )
        .map((finding) => checkLine(finding, { courses: plan.courses, term, locale: plan.locale }));
  const view = todayView(plan, occurrences, {
    zoneOf: requireZone,
    now: pembit.now(),
    today,
    waiting: await waitingCounts(pembit, actor, await chosenTerm()),
  });
  const { now } = view;
  return (
    <PageFrame actor={actor} plan={plan} everyTerm>
      {term ? <p className="soft">{timeOfYear(plan, today)}</p> : null}
      <h1>{say.title}</h1>
      <p>
        <Link href="/away">{awayTexts.link}</Link>
      </p>
      <ZoneOffer
        settings={await settingsOf(pembit, actor.person.id)}
        zones={plan.terms.map(({ tzid }) => tzid)}
      />
      {plan.abroad && term ? (
        <p className="soft">{studentTexts.zones({ term: term.tzid, own: plan.abroad.own.tzid })}</p>
      ) : null}
      <div className={styles.columns}>
        <div className={styles.column}>
          {now ? (
            <section className={styles.now} data-course={now.line.tags[0]?.color}>
              <p className={styles.label}>{now.label}</p>
              <h2>
                {now.line.tags.map((tag) => (
                  <span key={tag.tag} className="tag" data-course={tag.color}>
                    {tag.tag}
                  </span>
                ))}{' '}
                {now.line.href ? <a href={now.line.href}>{now.line.title}</a> : now.line.title}
              </h2>
              {now.line.detail ? <p className="soft">{now.line.detail}</p> : null}
              <ul className={styles.links}>
                {now.line.links.map((link) => (
                  <li key={link.url}>
                    <a href={link.url} target="_blank" rel="noopener">
                      {link.label || studentTexts.openLink}
                    </a>
                  </li>
                ))}
                <li>
                  <Link href={`/day/${today}`}>{studentTexts.daySheet}</Link>
                </li>
              </ul>
            </section>
          ) : (
            <p className="soft">{say.nothingToday}</p>
          )}
          {view.days.map((day) => (
            <section key={day.key} aria-labelledby={`day-${day.key}`}>
              <h2 id={`day-${day.key}`}>
                {day.heading} <span className="soft">{day.distance}</span>
              </h2>
              <DayList lines={day.lines} />
            </section>
          ))}
          <p>
            <Link className="lone" href="/term">
              <TermIcon className={styles.icon} /> {say.whole}
            </Link>
          </p>
        </div>
        <div className={styles.column}>
          <LettersSoFar lines={letters} />
          <Part title={say.waits} none={view.waits.length === 0 ? say.nothingWaits : undefined}>
            <ul className={styles.waits}>
              {view.waits.map(({ key, words, href, slides }) => (
                <li key={key}>
                  <Link href={href}>{words}</Link> {slides ? <SlideWaiting {...slides} /> : null}
                </li>
              ))}
            </ul>
          </Part>
          {onClosed.length > 0 ? (
            <Part title={say.onClosed}>
              <ClosedDue lines={onClosed} />
            </Part>
          ) : null}
          <Part title={say.comes} none={view.comes.length === 0 ? say.nobodyComes : undefined}>
            <DayList lines={view.comes} />
          </Part>
          <Part title={say.due} none={view.due.length === 0 ? say.nothingDue : undefined}>
            <DayList lines={view.due} />
          </Part>
        </div>
      </div>
    </PageFrame>
  );
}

function Part({ title, none, children }: { title: string; none?: string; children: ReactNode }) {
  return (
    <section>
      <h2>{title}</h2>
      {none === undefined ? children : <p className="soft">{none}</p>}
    </section>
  );
}

import type { Metadata } from 'next';
import { Temporal } from 'temporal-polyfill';
import { Link } from '@/ui/controls/Link';
import { withNews } from '@/core/plan/changesSince';
import { occurrencesOf } from '@/core/plan/occurrences';
import { dueTexts } from '@/core/texts/due';
import { studentTexts } from '@/core/texts/student';
import { currentTerm, teachingWeeks } from '@/core/time/term';
import { dateLabel } from '@/core/time/dateLabels';
import { requireZone } from '@/core/time/zoneData';
import { settingsOf } from '@/server/students/settings';
import { ZoneOffer } from '@/ui/days/ZoneOffer';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { recordShown } from '@/server/plan/recordShown';
import { todayIn } from '@/server/plan/todayIn';
import { unseenChanges } from '@/server/students/changes';
import { missedOf } from '@/server/people/lateComers';
import { leftBy } from '@/server/people/left';
import { doneOf } from '@/server/students/done';
import { sharedPembit } from '@/server/pembit';
import { withoutCourses } from '@/ui/frame/switchedCourses';
import { packed } from '@/ui/controls/packed';
import { ComingAndGoing } from '@/ui/student/ComingAndGoing';
import { DayList } from '@/ui/student/DayList';
import days from '@/ui/student/DayList.module.css';
import { NextDays } from '@/ui/student/NextDays';
import type { ChangeLine } from '@/core/plan/changeLines';
import { changeLines } from '@/core/plan/changeLines';
import type { KindFilter, NextAsked } from '@/ui/student/nextView';
import { KIND_FILTERS, nextView } from '@/ui/student/nextView';
import { timeOfYear } from '@/ui/frame/timeOfYear';
import { SawChanges } from '@/ui/student/SawChanges';
import { keptView, minuteOf, numberOf } from '../keptView';
import { PageFrame } from '../PageFrame';
import { shownCourses } from '../shownCourses';
import { signedInOr } from '../signedIn';
import styles from './next.module.css';

export const metadata: Metadata = { title: studentTexts.nextTitle };

type Search = Promise<Readonly<{ without?: string; q?: string; kind?: string; week?: string }>>;

/** What the address asks for; what cannot be read is as if it were not there. */
function askedBy({ q, kind, week }: Awaited<Search>, starts: readonly string[]): NextAsked {
  return {
    ...(q ? { words: q.slice(0, 200) } : {}),
    ...(KIND_FILTERS.includes(kind as KindFilter) ? { kind: kind as KindFilter } : {}),
    ...(week && starts.includes(week) ? { week: Temporal.PlainDate.from(week) } : {}),
  };
}

/** How many changes stand above what is next; the others are opened. */
const FIRST_NEWS = 3;

const NewsList = ({ news }: Readonly<{ news: readonly ChangeLine[] }>) => (
  <ul>
    {news.map((change) => (
      <li key={change.key}>
        {change.tags.map((tag) => (
          <span key={tag.tag} className="tag" data-course={tag.color}>
            {tag.tag}
          </span>
        ))}{' '}
        {change.href ? <Link href={change.href}>{change.title}</Link> : change.title}: {change.words}
      </li>
    ))}
  </ul>
);

export default async function NextPage({ searchParams }: { searchParams: Search }) {
  const actor = await signedInOr('/next');
  const pembit = sharedPembit();
  const version = pembit.queue.version();
  const plan = await planSeenBy(pembit, actor.viewer);
  const today = todayIn(pembit, plan);
  const [changes, done, missed, left] = await Promise.all([
    unseenChanges(pembit, actor, plan),
    doneOf(pembit, actor),
    missedOf(pembit, actor),
    leftBy(pembit, actor.person.id),
    recordShown(pembit, actor.person.id, plan),
  ]);
  const search = await searchParams;
  const off = withoutCourses(search.without);
  const shown = shownCourses(plan, off);
  const occurrences = keptView(plan, ['next', [...shown], [...off], numberOf(changes)], () =>
    withNews(occurrencesOf(plan, requireZone), changes).filter(
      (o) =>
        o.kind === 'note' ||
        (o.courses.some((id) => shown.has(id)) && !(o.kind === 'outside' && off.has(o.calendar))),
    ),
  );
  const term = currentTerm(plan.terms, today);
  const weeks = term ? teachingWeeks(term) : [];
  const asked = askedBy(search, weeks.map(({ first }) => first.toString())); // prettier-ignore
  const now = pembit.now();
  const view = keptView(occurrences, ['next', minuteOf(now), today, numberOf(done), asked], () =>
    nextView(plan, occurrences, { zoneOf: requireZone, now, today, done, asked }),
  );
  const news = changeLines(changes, plan);
  const keeps = view.found === undefined && !asked.week && !actor.shared;
  return (
    <PageFrame actor={actor} plan={plan} everyTerm>
      {term ? <p className="soft">{timeOfYear(plan, today)}</p> : null}
      <h1>{studentTexts.nextTitle}</h1>
      <ZoneOffer
        settings={await settingsOf(pembit, actor.person.id)}
        zones={plan.terms.map(({ tzid }) => tzid)}
      />
      {plan.abroad && term ? (
        <p className="soft">{studentTexts.zones({ term: term.tzid, own: plan.abroad.own.tzid })}</p>
      ) : null}
      <ComingAndGoing plan={plan} missed={missed} left={left} />
      {news.length > 0 ? (
        <section className={`notice ${styles.changes}`} aria-labelledby="changes">
          <h2 id="changes">{studentTexts.changesTitle({ n: news.length })}</h2>
          <NewsList news={news.slice(0, FIRST_NEWS)} />
          {news.length > FIRST_NEWS ? (
            <details>
              <summary>{studentTexts.moreChanges({ n: news.length - FIRST_NEWS })}</summary>
              <NewsList news={news.slice(FIRST_NEWS)} />
            </details>
          ) : null}
          <div>
            <SawChanges />
          </div>
        </section>
      ) : null}
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
                {link.label ? studentTexts.open({ label: link.label }) : studentTexts.openLink}
              </a>
            ))}
            <Link className={styles.secondary} href={`/day/${today}`}>
              {studentTexts.daySheet}
            </Link>
          </p>
        </section>
      ) : null}
      <details open={view.found !== undefined || asked.week !== undefined}>
        <summary>{studentTexts.search}</summary>
        <form className={styles.find} action="/next" method="get">
          <label>
            {studentTexts.words}
            <input type="search" name="q" defaultValue={asked.words} />
          </label>
          <label>
            {studentTexts.filter}
            <select name="kind" aria-label={studentTexts.filter} defaultValue={asked.kind ?? 'all'}>
              {KIND_FILTERS.map((kind) => (
                <option key={kind} value={kind}>
                  {studentTexts.kinds[kind]}
                </option>
              ))}
            </select>
          </label>
          <label>
            {studentTexts.week}
            <select name="week" aria-label={studentTexts.week} defaultValue={asked.week?.toString() ?? ''}>
              <option value="">{studentTexts.weekNow}</option>
              {weeks.map(({ number, first }) => (
                <option key={number} value={first.toString()}>
                  {studentTexts.weekOption({ n: number, range: dateLabel(first, 'dayMonth', plan.locale) })}
                </option>
              ))}
            </select>
          </label>
          {search.without ? <input type="hidden" name="without" value={search.without} /> : null}
          <button>{studentTexts.show}</button>
          {view.found === undefined ? null : <p role="status">{studentTexts.found({ n: view.found })}</p>}
        </form>
      </details>
      <p>
        <Link className="lone" href="/due">
          {dueTexts.link}
        </Link>{' '}
        <Link className="lone" href="/month">
          {studentTexts.asMonth}
        </Link>
      </p>
      {view.wasDue.length > 0 ? (
        <section className={days.day} aria-labelledby="was-due">
          <h2 id="was-due">{studentTexts.wasDueTitle}</h2>
          <DayList lines={view.wasDue} ticks={false} />
        </section>
      ) : null}
      {view.days.length === 0 ? (
        <div className="empty">
          <h2>{studentTexts.nothingTitle}</h2>
          <p>{studentTexts.nothingLead}</p>
        </div>
      ) : null}
      <NextDays days={packed(view.days)} person={actor.person.id} version={version} keeps={keeps} />
      {view.done.length > 0 ? (
        <details className={days.day}>
          <summary>{studentTexts.doneTitle({ n: view.done.length })}</summary>
          <DayList lines={view.done} ticks />
        </details>
      ) : null}
    </PageFrame>
  );
}

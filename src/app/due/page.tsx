import type { Metadata } from 'next';
import { Temporal } from 'temporal-polyfill';
import { occurrencesOf } from '@/core/plan/occurrences';
import { dueTexts as say } from '@/core/texts/due';
import { pacingTexts } from '@/core/texts/pacing';
import { dateLabel } from '@/core/time/dateLabels';
import { requireZone } from '@/core/time/zoneData';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { todayIn } from '@/server/plan/todayIn';
import { sharedPembit } from '@/server/pembit';
import { doneOf } from '@/server/students/done';
import { ownStartsOf } from '@/server/students/ownStart';
import { withoutCourses } from '@/ui/frame/switchedCourses';
import days from '@/ui/student/DayList.module.css';
import { DueList } from '@/ui/student/DueList';
import { dueView } from '@/ui/student/dueView';
import { OwnStart } from '@/ui/student/OwnStart';
import start from '@/ui/student/OwnStart.module.css';
import { PageFrame } from '../PageFrame';
import { shownCourses } from '../shownCourses';
import { signedInOr } from '../signedIn';

export const metadata: Metadata = { title: say.title };

type Props = { searchParams: Promise<Readonly<{ without?: string }>> };

/** A student's due work over all courses as one list, with ticks, what it takes, and days to work on it. */
export default async function DuePage({ searchParams }: Props) {
  const actor = await signedInOr('/due');
  const pembit = sharedPembit();
  const [plan, done] = await Promise.all([planSeenBy(pembit, actor.viewer), doneOf(pembit, actor)]);
  const shown = shownCourses(plan, withoutCourses((await searchParams).without));
  const occurrences = occurrencesOf(plan, requireZone).filter((o) => o.courses.some((id) => shown.has(id)));
  const own = await ownStartsOf(pembit, actor, plan);
  const today = todayIn(pembit, plan);
  const view = dueView(plan, occurrences, {
    zoneOf: requireZone,
    now: pembit.now(),
    today,
    done,
  });
  return (
    <PageFrame actor={actor} plan={plan} everyTerm>
      <h1>{say.title}</h1>
      <p className="soft">{say.lead}</p>
      <p role="status">
        <b>{view.week}</b>
      </p>
      {own.length > 0 ? (
        <section className={`card ${start.card}`} aria-labelledby="own-start">
          <h2 id="own-start">{pacingTexts.title}</h2>
          <p className="soft">{pacingTexts.lead}</p>
          {own.map(({ course, name, on, shared }) => (
            <OwnStart
              key={`${course} ${on} ${shared}`}
              course={course}
              name={name}
              on={on}
              onWords={on && dateLabel(Temporal.PlainDate.from(on), 'short', plan.locale)}
              shared={shared}
              today={today.toString()}
            />
          ))}
        </section>
      ) : null}
      {view.late.length > 0 ? (
        <section className={days.day} aria-labelledby="late">
          <h2 id="late">{say.late}</h2>
          <DueList lines={view.late} />
        </section>
      ) : null}
      {view.earlier.length > 0 ? (
        <details className={days.day}>
          <summary>{say.earlier({ n: view.earlier.length })}</summary>
          <DueList lines={view.earlier} />
        </details>
      ) : null}
      {view.days.length + view.late.length === 0 ? (
        <div className="empty">
          <h2>{say.none}</h2>
          <p>{say.noneLead}</p>
        </div>
      ) : null}
      {view.days.map(({ key, heading, distance, lines }) => (
        <section key={key} className={days.day} aria-label={heading}>
          <div className={days.dayHead}>
            <h2>{heading}</h2>
            <span className="soft">{distance}</span>
          </div>
          <DueList lines={lines} />
        </section>
      ))}
      {view.done.length > 0 ? (
        <details className={days.day}>
          <summary>{say.done({ n: view.done.length })}</summary>
          <DueList lines={view.done} ticks />
        </details>
      ) : null}
    </PageFrame>
  );
}

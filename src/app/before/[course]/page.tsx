import type { Metadata } from 'next';
import { Link } from '@/ui/controls/Link';
import { notFound } from 'next/navigation';
import { groupBy } from '@/core/groupBy';
import { memberTexts } from '@/core/texts/members';
import { dateLabel, weekAndDate } from '@/core/time/dateLabels';
import { dayOf } from '@/core/time/zonedWall';
import { missedOf } from '@/server/people/lateComers';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { sharedPembit } from '@/server/pembit';
import { doneOf } from '@/server/students/done';
import { DayList } from '@/ui/student/DayList';
import days from '@/ui/student/DayList.module.css';
import { dayLine } from '@/ui/student/dayLines';
import { PageFrame } from '../../PageFrame';
import { signedInOr } from '../../signedIn';
import { titleOfPage } from '../../titleOfPage';

type Props = { params: Promise<{ course: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const id = decodeURIComponent((await params).course);
  return titleOfPage(memberTexts.before, ({ courses }) => {
    const course = courses.find((each) => each.id === id);
    return course && memberTexts.beforeIn({ course: `${course.code} ${course.title}` });
  });
}

/** For whoever came late: the work that is still open, and each class that was, with the way to its sheet. */
export default async function BeforePage({ params }: Props) {
  const id = decodeURIComponent((await params).course);
  const actor = await signedInOr(`/before/${encodeURIComponent(id)}`);
  const pembit = sharedPembit();
  const [plan, all, done] = await Promise.all([
    planSeenBy(pembit, actor.viewer),
    missedOf(pembit, actor),
    doneOf(pembit, actor),
  ]);
  const missed = all.find(({ course }) => course === id);
  const course = plan.courses.find((each) => each.id === missed?.course);
  const term = plan.terms.find((each) => each.id === course?.term);
  if (!missed || !course || !term) notFound();
  const open = missed.work.filter(({ entry }) => !done.has(entry));
  const byDay = [...groupBy(missed.classes, (o) => dayOf(o.start).toString()).values()];
  return (
    <PageFrame actor={actor} plan={plan} everyTerm>
      <h1>{memberTexts.beforeIn({ course: `${course.code} ${course.title}` })}</h1>
      <section className={days.day} aria-labelledby="open">
        <h2 id="open">{memberTexts.beforeOpen}</h2>
        {open.length === 0 ? <p className="soft">{memberTexts.allDone}</p> : null}
        <DayList
          lines={open.map((o) => ({
            ...dayLine(o, plan),
            time: dateLabel(dayOf(o.start), 'short', plan.locale),
          }))}
          ticks={false}
        />
      </section>
      <section className={days.day} aria-labelledby="classes">
        <h2 id="classes">{memberTexts.beforeClasses}</h2>
        {byDay.map((classes) => {
          const date = dayOf(classes[0]!.start);
          return (
            <section key={date.toString()} className={days.day}>
              <h3>
                <Link href={`/day/${date}`}>{weekAndDate(term, date, plan.locale)}</Link>
              </h3>
              <DayList lines={classes.map((o) => dayLine(o, plan))} />
            </section>
          );
        })}
      </section>
    </PageFrame>
  );
}

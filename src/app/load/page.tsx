import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { courseNames } from '@/core/plan/courseNames';
import { ALARM } from '@/core/load/loadItem';
import { loadTexts as say } from '@/core/texts/load';
import { courseLoad } from '@/server/load/courseLoad';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { sharedPembit } from '@/server/pembit';
import { HoursChart } from '@/ui/load/HoursChart';
import styles from '@/ui/load/Load.module.css';
import { LoadGrid } from '@/ui/load/LoadGrid';
import { loadView } from '@/ui/load/loadView';
import { SpreadForm } from '@/ui/load/SpreadForm';
import { PageFrame } from '../PageFrame';
import { signedInOr } from '../signedIn';
import { termOnPage } from '../termOnPage';

export const metadata: Metadata = { title: say.title };

const ALARMS = [2, 3, 4, 5];

/** What a course's students have due over all their courses; `?course=ID&alarm=N`. */
export default async function LoadPage({
  searchParams,
}: {
  searchParams: Promise<Readonly<{ course?: string; alarm?: string }>>;
}) {
  const asked = await searchParams;
  const actor = await signedInOr('/load');
  if (actor.viewer.staffOf.size === 0) redirect('/');
  const pembit = sharedPembit();
  const plan = await planSeenBy(pembit, actor.viewer);
  const { term, beside, today } = await termOnPage(plan);
  const own = plan.courses.filter((c) => beside.has(c.term) && actor.viewer.staffOf.has(c.id) && !c.archived);
  const names = courseNames(own, plan.terms);
  const course = own.find(({ id }) => id === asked.course) ?? own.find((c) => c.term === term?.id) ?? own[0];
  const alarm = ALARMS.find((n) => String(n) === asked.alarm) ?? ALARM;
  const load = course && (await courseLoad(pembit, actor, course.id, { alarm }));
  if (!course || !load?.ok)
    return (
      <PageFrame actor={actor}>
        <h1>{say.title}</h1>
        <p className="empty">{say.noCourse}</p>
      </PageFrame>
    );
  const view = loadView(load.value, { today, locale: plan.locale });
  return (
    <PageFrame actor={actor}>
      <h1>{say.title}</h1>
      <p className="soft">{say.lead}</p>
      <form className={styles.asked} action="/load" method="get">
        <label>
          {say.course}{' '}
          <select name="course" defaultValue={course.id}>
            {own.map(({ id, code }) => (
              <option key={id} value={id}>
                {code} {names.get(id)!.title}
              </option>
            ))}
          </select>
        </label>
        <label>
          {say.alarm}{' '}
          <select name="alarm" defaultValue={alarm}>
            {ALARMS.map((n) => (
              <option key={n} value={n}>
                {say.alarmOption({ n })}
              </option>
            ))}
          </select>
        </label>
        <button>{say.show}</button>
        <span className="soft">{say.examsTwice}</span>
      </form>
      <div className={styles.page}>
        <LoadGrid view={view} />
        <HoursChart view={view} />
        <SpreadForm
          key={course.id + view.coming.map(({ due }) => due).join()}
          course={course.id}
          coming={view.coming}
          workdays={view.workdays}
          latest={load.value.term.endsOn.toString()}
          alarm={alarm}
        />
      </div>
    </PageFrame>
  );
}

import { Link } from '@/ui/controls/Link';
import type { Temporal } from 'temporal-polyfill';
import type { CourseId } from '@/core/ids';
import type { BeforeYouCame } from '@/core/plan/beforeYouCame';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { memberTexts as say } from '@/core/texts/members';
import { dateLabel } from '@/core/time/dateLabels';
import styles from './ComingAndGoing.module.css';

type Props = Readonly<{
  plan: SeenPlan;
  missed: readonly (BeforeYouCame & Readonly<{ course: CourseId }>)[];
  left: readonly Readonly<{ course: CourseId; code: string; title: string; at: Temporal.ZonedDateTime }>[];
}>;

/** Into which courses somebody came late, with the way to what went before; and which ones they left. */
export function ComingAndGoing({ plan, missed, left }: Props) {
  return (
    <>
      {missed.map(({ course: id, came, classes, work }) => {
        const course = plan.courses.find((each) => each.id === id);
        if (!course) return null;
        return (
          <p key={id} className={`notice ${styles.note}`}>
            {say.cameLate({
              course: `${course.code} ${course.title}`,
              day: dateLabel(came, 'short', plan.locale),
            })}{' '}
            <Link href={`/before/${id}`}>
              {say.wentBefore({ classes: classes.length, work: work.length })}
            </Link>
          </p>
        );
      })}
      {left.map(({ course, code, title, at }) => (
        <p key={course} className={`notice ${styles.note}`}>
          {say.left({ course: `${code} ${title}`, day: dateLabel(at.toPlainDate(), 'short', plan.locale) })}
        </p>
      ))}
    </>
  );
}

import { Link } from '@/ui/controls/Link';
import { daySheetTexts as say } from '@/core/texts/daySheet';
import styles from './DaySheet.module.css';
import { AwayDays } from './AwayDays';
import type { DaySheetView } from './daySheetView';

const sheetPath = (day: string, code: string | undefined) =>
  `/day/${day}${code === undefined ? '' : `?course=${encodeURIComponent(code)}`}`;

/** The ways on from a day: the classes around it, and several days at once for somebody who was away. */
export function Around({
  view: { date, previous, next },
  neighbours,
  code,
}: {
  view: DaySheetView;
  neighbours: Readonly<{ before: string; after: string }>;
  code?: string;
}) {
  return (
    <>
      <nav className={styles.around} aria-label={say.title}>
        {previous ? (
          <Link href={sheetPath(previous.day, code)}>{say.previousClass({ day: previous.words })}</Link>
        ) : null}
        {next ? <Link href={sheetPath(next.day, code)}>{say.nextClass({ day: next.words })}</Link> : null}
        <Link href={sheetPath(neighbours.before, code)}>{say.previousDay}</Link>
        <Link href={sheetPath(neighbours.after, code)}>{say.nextDay}</Link>
        {code === undefined ? null : <Link href={sheetPath(date, undefined)}>{say.allCourses}</Link>}
      </nav>
      <details>
        <summary>{say.away}</summary>
        <p className="soft">{say.awayLead}</p>
        <form action="/day" className={styles.away}>
          {code === undefined ? null : <input type="hidden" name="course" value={code} />}
          <AwayDays from={previous?.day ?? date} to={date} />
          <button type="submit">{say.show}</button>
        </form>
      </details>
    </>
  );
}

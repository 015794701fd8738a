import type { Metadata } from 'next';
import type { CSSProperties } from 'react';
import { Link } from '@/ui/controls/Link';
import { Temporal } from 'temporal-polyfill';
import { startIn } from '@/core/time/term';
import { studentTexts } from '@/core/texts/student';
import { termTexts } from '@/core/texts/term';
import { monthView } from '@/ui/month/monthView';
import type { DayLine } from '@/ui/student/dayLines';
import { keptView } from '../keptView';
import { PageFrame } from '../PageFrame';
import { planPage } from '../planPage';
import styles from './month.module.css';

export const metadata: Metadata = { title: studentTexts.monthTitle };

type Search = Promise<Record<string, string | undefined>>;

const Tags = ({ line }: Readonly<{ line: DayLine }>) =>
  line.tags.map((tag) => (
    <span key={tag.tag} className="tag" data-course={tag.color}>
      {tag.tag}
    </span>
  ));

/** A month at a glance, each day a way to its sheet. */
export default async function MonthPage({ searchParams }: { searchParams: Search }) {
  const search = await searchParams;
  const { actor, plan, occurrences, today, term } = await planPage('/month', search, { everyTerm: true });
  const asked = search.at ?? '';
  const month = /^20\d\d-(0[1-9]|1[0-2])-01$/.test(asked)
    ? Temporal.PlainDate.from(asked)
    : startIn(term, today);
  const weekStart = term?.weekStart ?? 1;
  const view = keptView(occurrences, ['month', month, today, weekStart], () =>
    monthView(plan, occurrences, { month, today, weekStart }),
  );
  const at = (date: string) =>
    `/month?${new URLSearchParams({ at: date, ...(search.without ? { without: search.without } : {}) })}`;
  return (
    <PageFrame actor={actor} plan={plan} wide everyTerm>
      <div className={styles.head}>
        <h1>{view.title}</h1>
        <Link href={at(view.before)}>{studentTexts.monthBefore}</Link>
        <Link href={at(view.after)}>{studentTexts.monthAfter}</Link>
      </div>
      <table className={styles.month}>
        <thead>
          <tr>
            {view.weekdays.map((weekday) => (
              <th key={weekday} scope="col">
                {weekday}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {view.weeks.map(({ lanes, days }) => (
            <tr key={days[0]!.date} style={{ '--lanes': lanes } as CSSProperties}>
              {days.map((day) => (
                <td key={day.date} data-today={day.today} data-other={day.other} data-closed={day.closed}>
                  <Link className={styles.date} href={`/day/${day.date}`} aria-label={day.label}>
                    {day.number}
                  </Link>
                  {day.bars.map(({ line, lane, reach, begins, ends, until }) => (
                    <Link
                      key={line.key}
                      href={line.href ?? `/day/${day.date}`}
                      className={styles.bar}
                      data-course={line.tags[0]?.color}
                      data-begins={begins}
                      data-ends={ends}
                      data-off={line.off}
                      style={{ '--lane': lane, '--reach': reach } as CSSProperties}
                    >
                      <Tags line={line} /> <span className={styles.title}>{line.title}</span>
                      {ends ? null : <span className={styles.until}>{until}</span>}
                    </Link>
                  ))}
                  {day.during ? (
                    <span className="visually-hidden">{termTexts.during({ titles: day.during })}</span>
                  ) : null}
                  <ul className={styles.lines}>
                    {day.lines.map((line) => (
                      <li key={line.key} data-kind={line.kind} data-off={line.off}>
                        <Tags line={line} /> <span className={styles.title}>{line.title}</span>
                      </li>
                    ))}
                    {day.more > 0 ? <li className="soft">{studentTexts.more({ n: day.more })}</li> : null}
                  </ul>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </PageFrame>
  );
}

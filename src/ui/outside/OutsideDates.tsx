import { outsideTexts as say } from '@/core/texts/outside';
import styles from './Outside.module.css';
import type { OutsideDate } from './outsideView';

/** Dates of a calendar, and how many more there are. */
export const OutsideDates = ({ dates, more = 0 }: { dates: readonly OutsideDate[]; more?: number }) => (
  <ul className={styles.dates}>
    {dates.map(({ when, title }, i) => (
      <li key={i}>
        <span className="numbers soft">{when}</span> {title}
      </li>
    ))}
    {more > 0 ? <li className="soft">{say.moreDates({ n: more })}</li> : null}
  </ul>
);

import { officeTexts as say } from '@/core/texts/office';
import styles from './School.module.css';

/** What was done to people, newest first. */
export function OfficeLog({
  lines,
}: Readonly<{ lines: readonly Readonly<{ id: string; at: string; words: string }>[] }>) {
  return (
    <section className={styles.section} aria-labelledby="office-log">
      <h2 id="office-log">{say.log}</h2>
      <p className="soft">{lines.length === 0 ? say.noLog : say.logLead}</p>
      <ul className={`${styles.list} ${styles.log}`}>
        {lines.map(({ id, at, words }) => (
          <li key={id}>
            <span>
              {words} <span className="soft numbers">{at}</span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

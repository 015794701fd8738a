import type { Usage } from '@/core/frame/usage';
import { usageTexts as say } from '@/core/texts/usage';
import styles from './School.module.css';

type Props = Readonly<{
  days: number;
  megabytes: number;
  used: Usage;
}>;

/** What of Pembit is used, in four lines. */
export const UsageSection = ({ days, megabytes, used }: Props) => (
  <section className={`card ${styles.section}`} aria-labelledby="usage">
    <h2 id="usage">{say.title}</h2>
    <p className="soft">{say.lead({ days })}</p>
    <ul className={styles.list}>
      <li>{say.people({ came: used.came, all: used.people })}</li>
      <li>{say.outlets({ outlets: used.outlets, reads: used.reads })}</li>
      <li>{say.letters({ sent: used.letters, failed: used.failed })}</li>
      <li>{say.files({ files: used.files, megabytes })}</li>
    </ul>
  </section>
);

import { pacingTexts as say } from '@/core/texts/pacing';
import styles from './School.module.css';

type Props = Readonly<{
  begun: number;
  students: number;
  work: number;
  /** Dates in words. */
  sharing: readonly Readonly<{ person: string; name: string; on: string; ticked: number }>[];
}>;

/** How far students are in a course whose work is due by their own starts. */
export function OwnStartsSection({ begun, students, work, sharing }: Props) {
  return (
    <section className={`card ${styles.section}`} aria-labelledby="own-starts">
      <h2 id="own-starts">{say.staffTitle}</h2>
      <p className="soft">{say.staffLead}</p>
      <p>{say.begunOf({ begun, all: students })}</p>
      {sharing.length === 0 ? (
        <p className="soft">{say.noneShares}</p>
      ) : (
        <table className={styles.drift}>
          <caption>{say.sharing}</caption>
          <thead>
            <tr>
              <th scope="col">{say.student}</th>
              <th scope="col">{say.began}</th>
              <th scope="col">{say.ticked}</th>
            </tr>
          </thead>
          <tbody>
            {sharing.map(({ person, name, on, ticked }) => (
              <tr key={person}>
                <th scope="row">{name}</th>
                <td>{on}</td>
                <td>{say.tickedOf({ n: ticked, all: work })}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

import { loadTexts as say } from '@/core/texts/load';
import styles from './Load.module.css';
import type { LoadView } from './loadView';

/** The term as days: how many have something due, and how many too much. */
export function LoadGrid({ view }: { view: Pick<LoadView, 'weekdays' | 'weeks'> }) {
  return (
    <section aria-labelledby="by-day">
      <h2 id="by-day">{say.gridTitle}</h2>
      <p className="soft">{say.legend}</p>
      <div className={styles.scroll} role="group" aria-labelledby="by-day" tabIndex={0}>
        <table className={styles.grid}>
          <thead>
            <tr>
              <th scope="col">{say.week}</th>
              {view.weekdays.map((name) => (
                <th key={name} scope="col">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {view.weeks.map((week) => (
              <tr key={week.label}>
                <th scope="row">
                  {week.label} <span className="soft">{week.from}</span>
                </th>
                {week.cells.map((cell) => (
                  <td
                    key={cell.key}
                    data-level={cell.level}
                    data-closed={cell.closed}
                    data-past={cell.past}
                    title={cell.words}
                  >
                    {cell.day ? (
                      <>
                        <span className={styles.number} aria-hidden>
                          {cell.day}
                        </span>
                        <span aria-hidden className={styles.due}>
                          {cell.due > 0 ? say.due({ n: cell.due }) : ''}
                        </span>
                        {cell.alarmed > 0 ? (
                          <span aria-hidden className={styles.alarm}>
                            {cell.alarmed}
                          </span>
                        ) : null}
                        <span className={styles.words}>{cell.words}</span>
                      </>
                    ) : null}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

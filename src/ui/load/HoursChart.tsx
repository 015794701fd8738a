'use client';
import { loadTexts as say } from '@/core/texts/load';
import { BarChart } from '../controls/BarChart';
import { saveFile } from '../controls/saveFile';
import styles from './Load.module.css';
import type { LoadView } from './loadView';

const SERIES = [
  ['class', say.class, '--spruce'],
  ['work', say.work, '--marigold'],
  ['others', say.others, '--rule'],
] as const;

/** Hours of each week against what is expected, as a chart, as a table, and as CSV. */
export function HoursChart({
  view,
}: {
  view: Pick<LoadView, 'hours' | 'expected' | 'expectedWords' | 'noEffort'>;
}) {
  // prettier-ignore
  const { hours, expected } = view;
  const inHours = (minutes: number) => Math.round(minutes / 6) / 10;
  const bars = SERIES.map(([key, label, color]) => ({ label, color, data: hours.map((line) => inHours(line[key])) })); // prettier-ignore
  const line = expected === undefined ? undefined : { label: say.expected, color: '--ink', data: hours.map(() => inHours(expected)) }; // prettier-ignore
  const columns = [say.week, ...SERIES.map(([, label]) => label), ...(line ? [say.expected] : [])];
  const csv = async () => {
    const { planCsv } = await import('@/core/exchange/planCsv');
    saveFile(
      'load.csv',
      planCsv(
        columns,
        hours.map((of) => ({
          [say.week]: of.week,
          ...Object.fromEntries(SERIES.map(([key, label]) => [label, say.hours(of[key])])),
          ...(expected === undefined ? {} : { [say.expected]: say.hours(expected) }),
        })),
      ),
      'text/csv',
    );
  };
  return (
    <section aria-labelledby="hours">
      <h2 id="hours">{say.hoursTitle}</h2>
      <p className="soft">
        {say.hoursLead} {view.expectedWords} {view.noEffort}
      </p>
      <div className={styles.chart}>
        <BarChart label={say.chart} labels={hours.map((of) => of.week)} bars={bars} line={line} />
      </div>
      <details>
        <summary>{say.table}</summary>
        <table className={styles.hours}>
          <thead>
            <tr>
              {columns.map((name) => (
                <th key={name} scope="col">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {hours.map((of) => (
              <tr key={of.week}>
                <th scope="row">{of.week}</th>
                {SERIES.map(([key]) => (
                  <td key={key}>{say.hours(of[key])}</td>
                ))}
                {expected === undefined ? null : <td>{say.hours(expected)}</td>}
              </tr>
            ))}
          </tbody>
        </table>
      </details>
      <p>
        <button type="button" className="link" onClick={() => void csv()}>
          {say.csv}
        </button>
      </p>
    </section>
  );
}

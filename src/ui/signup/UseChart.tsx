'use client';
import { signupTexts } from '@/core/texts/signup';
import { BarChart } from '../controls/BarChart';
import { saveFile } from '../controls/saveFile';
import styles from './RunSheet.module.css';
import type { RunView, UseLine } from './runView';

const { run: say } = signupTexts;

/** Taken and free by week, as a chart, as the same figures in a table, and as CSV. */
export function UseChart({ use }: { use: RunView['use'] }) {
  const csv = async () => {
    const { planCsv } = await import('@/core/exchange/planCsv');
    saveFile(
      'office-hours.csv',
      planCsv(
        [say.usedBy, say.usedOffered, say.usedTaken, say.usedWaiting],
        [...use.weeks, ...use.weekdays].map((line) => ({
          [say.usedBy]: line.label,
          [say.usedOffered]: String(line.offered),
          [say.usedTaken]: String(line.taken),
          [say.usedWaiting]: String(line.waiting),
        })),
      ),
      'text/csv',
    );
  };
  return (
    <section className={`card ${styles.use}`} aria-labelledby="use">
      <h2 id="use">{say.useTitle}</h2>
      <p className="soft">{say.served({ students: use.students, missed: use.missed })}</p>
      <div className={styles.chart}>
        <BarChart
          label={say.chart}
          labels={use.weeks.map((line) => line.label)}
          bars={[
            { label: say.usedTaken, color: '--spruce', data: use.weeks.map((line) => line.taken) },
            {
              label: say.usedFree,
              color: '--rule',
              data: use.weeks.map((line) => line.offered - line.taken),
            },
          ]}
        />
      </div>
      <Lines lines={use.weeks} />
      <Lines lines={use.weekdays} />
      <p>
        <button type="button" className="link" onClick={() => void csv()}>
          {say.csv}
        </button>
      </p>
    </section>
  );
}

const Lines = ({ lines }: { lines: readonly UseLine[] }) => (
  <table>
    <thead>
      <tr>
        <th scope="col">{say.usedBy}</th>
        <th scope="col">{say.usedOffered}</th>
        <th scope="col">{say.usedTaken}</th>
        <th scope="col">{say.usedWaiting}</th>
      </tr>
    </thead>
    <tbody>
      {lines.map((line) => (
        <tr key={line.label}>
          <th scope="row">{line.label}</th>
          <td>{line.offered}</td>
          <td>{line.taken}</td>
          <td>{line.waiting}</td>
        </tr>
      ))}
    </tbody>
  </table>
);

'use client';
import Button from '@mui/material/Button';
import { slideTexts as say } from '@/core/texts/slide';
import { useSubmit } from '../controls/useSubmit';
import type { DriftView } from './driftView';
import styles from './School.module.css';

/** Sections that have drifted apart, side by side, and brought together. */
export function DriftSection({ course, drift }: { course: string; drift: DriftView }) {
  const { submit, errors, message, busy } = useSubmit();
  const [first, ...others] = drift.sections;
  const bring = (section: string, like: string) =>
    submit(
      'POST',
      `/api/courses/${course}/slide`,
      { act: 'together', section, like },
      ({ moved }: { moved: number }) =>
        say.slid({ n: moved, first: drift.rows.find((row) => row.apart)?.title ?? '', to: '' }),
    );
  return (
    <section className={`card ${styles.section}`} aria-labelledby="drift">
      <h2 id="drift">{say.drift}</h2>
      <p className="soft">{say.driftLead}</p>
      <div className={styles.scroll} tabIndex={0} role="group" aria-label={say.drift}>
        <table className={styles.drift}>
          <thead>
            <tr>
              <th>{say.planColumn}</th>
              {drift.sections.map(({ id, name }) => (
                <th key={id}>{name}</th>
              ))}
            </tr>
          </thead>
          <tbody>
            {drift.rows.map((row) => (
              <tr key={row.plan} data-apart={row.apart}>
                <th scope="row">{row.title}</th>
                {row.places.map((place, i) => (
                  <td key={drift.sections[i]!.id} className="numbers">
                    {place}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className={styles.buttons}>
        {others.flatMap(({ id, name }) => [
          <Button
            key={id}
            size="small"
            variant="outlined"
            disabled={busy}
            onClick={() => bring(id, first!.id)}
          >
            {say.together({ section: name, like: first!.name })}
          </Button>,
          <Button
            key={`${id} back`}
            size="small"
            variant="outlined"
            disabled={busy}
            onClick={() => bring(first!.id, id)}
          >
            {say.together({ section: first!.name, like: name })}
          </Button>,
        ])}
      </div>
      {message || errors.act ? <p role="alert">{message ?? errors.act}</p> : null}
    </section>
  );
}

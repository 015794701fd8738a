'use client';
import Button from '@mui/material/Button';
import { rosterReportTexts as say } from '@/core/texts/rosterReport';
import { useAct } from '../controls/useSubmit';
import styles from './School.module.css';

export type RosterReadingLines = Readonly<{ id: string; when: string; lines: readonly string[] }>;

/** What the last readings of the school's lists did; reads them now, and takes over what was held back. */
export function RosterReadings({
  source,
  readings,
  held,
}: Readonly<{
  source: 'folder' | 'service' | 'none';
  readings: readonly RosterReadingLines[];
  /** Courses of which the last reading changed nothing, since too many would be gone. */
  held: readonly Readonly<{ id: string; code: string }>[];
}>) {
  const { act, busy } = useAct();
  const read = (even: readonly string[]) => void act('POST', '/api/rosters', { even }, () => say.read);
  const [last, ...earlier] = readings;
  const shown = ({ id, when, lines }: RosterReadingLines) => (
    <div key={id}>
      <b>{when}</b>
      <ul>
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </div>
  );
  return (
    <div className={styles.readings}>
      <h3>{say.title}</h3>
      <p className="soft">{source === 'none' ? say.noFolder : say.lead}</p>
      {last ? shown(last) : source === 'none' ? null : <p className="soft">{say.none}</p>}
      {source !== 'none' ? (
        <p className={styles.buttons}>
          <Button variant="outlined" disabled={busy} onClick={() => read([])}>
            {say.readNow}
          </Button>
          {held.map(({ id, code }) => (
            <Button key={id} variant="outlined" disabled={busy} onClick={() => read([id])}>
              {say.evenOf({ code })}
            </Button>
          ))}
        </p>
      ) : null}
      {earlier.length > 0 ? (
        <details>
          <summary>{say.earlier}</summary>
          {earlier.map(shown)}
        </details>
      ) : null}
    </div>
  );
}

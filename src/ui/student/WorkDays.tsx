'use client';
import { dueTexts as say } from '@/core/texts/due';
import { useAct } from '../controls/useSubmit';
import styles from './DueList.module.css';
import type { WorkDay } from './dueView';

type Props = Readonly<{ entry: string; title: string; days: readonly WorkDay[] }>;

/** The days until work is due: a press puts time for it on a day, another takes it off; a note, for oneself alone. */
export function WorkDays({ entry, title, days }: Props) {
  const { act, busy } = useAct();
  const press = ({ day, full, note }: WorkDay) =>
    note === undefined
      ? act('POST', '/api/entries', { kind: 'note', title: say.workOn(title), on: day, about: entry }, () => say.planned({ day: full })) // prettier-ignore
      : act('DELETE', `/api/entries/${note}`, undefined, () => say.unplanned({ day: full }));
  return (
    <div className={styles.days} role="group" aria-label={say.workOn(title)}>
      <span className="soft">{say.planTime}</span>
      {days.map((day) => (
        <button
          key={day.day}
          type="button"
          disabled={busy}
          aria-pressed={day.note !== undefined}
          aria-label={say.dayName({ title, day: day.full })}
          onClick={() => void press(day)}
        >
          {day.label}
        </button>
      ))}
    </div>
  );
}

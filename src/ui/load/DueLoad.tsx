'use client';
import { useEffect, useState } from 'react';
import { Temporal } from 'temporal-polyfill';
import { betterDays } from '@/core/load/betterDays';
import { loadTexts as say } from '@/core/texts/load';
import { dateLabel } from '@/core/time/dateLabels';
import { callApi } from '../controls/callApi';
import styles from './DueLoad.module.css';

type Days = Readonly<{
  students: number;
  days: readonly Readonly<{ date: string; concerned: number; alarmed: number; open: boolean }>[];
}>;

/** What else the students have due on the day that is being chosen, and better days near it. */
export function DueLoad({
  course,
  entry,
  day,
  onChoose,
}: {
  course: string;
  /** What is being dated, where it exists already. */
  entry: string | undefined;
  day: string;
  onChoose: (day: string) => void;
}) {
  const [load, setLoad] = useState<Days>();
  useEffect(() => {
    let wanted = true;
    const query = new URLSearchParams({ course, ...(entry ? { without: entry } : {}) });
    void callApi<Days>('GET', `/api/load/days?${query}`).then((answer) => {
      if (wanted) setLoad(answer.ok ? answer.value : undefined);
    });
    return () => {
      wanted = false;
    };
  }, [course, entry]);
  const at = load?.days.findIndex(({ date }) => date === day) ?? -1;
  const chosen = load?.days[at];
  if (!load || !chosen || load.students === 0) return null;
  const better = betterDays(load.days, { day: at, isOpen: (i) => load.days[i]?.open ?? false });
  return (
    <div className={styles.load} role="status">
      <p data-much={chosen.alarmed > 0}>
        {say.day({ concerned: chosen.concerned, students: load.students, alarmed: chosen.alarmed })}
      </p>
      {better.length > 0 ? (
        <p className={styles.better}>
          {say.better}{' '}
          {better.map(({ day: i, concerned }) => {
            const { date } = load.days[i]!;
            return (
              <button key={date} type="button" onClick={() => onChoose(date)}>
                {say.betterDay({ day: dateLabel(Temporal.PlainDate.from(date)), concerned })}
              </button>
            );
          })}
        </p>
      ) : null}
    </div>
  );
}

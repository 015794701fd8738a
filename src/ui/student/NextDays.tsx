'use client';
import Link from 'next/link';
import { useMemo } from 'react';
import { studentTexts } from '@/core/texts/student';
import type { Packed } from '../controls/packed';
import { useUnpacked } from '../controls/packed';
import { useFirstThenAll } from '../controls/useFirstThenAll';
import { KeepOffline } from '../offline/KeepOffline';
import { DayList } from './DayList';
import styles from './DayList.module.css';
import type { NextDay } from './nextView';

/** More than a phone shows before one scrolls. */
const FIRST = 5;

/** The coming days of a student's home, which the device keeps for when there is no connection. */
export function NextDays({
  person,
  keeps,
  ...given
}: {
  days: Packed<readonly NextDay[]>;
  person: string;
  /** Whether these are the days to be kept, not what somebody looks for. */
  keeps: boolean;
}) {
  const days = useUnpacked(given.days);
  const drawn = useFirstThenAll(days, FIRST);
  const kept = useMemo(() => keptDays(person, days), [person, days]);
  return (
    <>
      {keeps ? <KeepOffline kept={kept} /> : null}
      {drawn.map((day) => (
        <section key={day.key} className={styles.day} aria-label={day.heading}>
          <div className={styles.dayHead}>
            <h2>
              <Link href={`/day/${day.key}`}>{day.heading}</Link>
            </h2>
            <span className="soft">{day.distance}</span>
          </div>
          <DayList lines={day.lines} ticks={false} />
        </section>
      ))}
    </>
  );
}

/** What the device keeps: words alone, without links that would lead nowhere. */
const keptDays = (person: string, days: readonly NextDay[]) => ({
  person,
  title: studentTexts.nextTitle,
  days: days.map(({ heading, lines }) => ({
    heading,
    lines: lines.map(({ time, tags, title, detail }) => ({
      time,
      tags: tags.map(({ tag }) => tag).join(' '),
      title,
      detail,
    })),
  })),
});

'use client';
import Link from 'next/link';
import { useMemo } from 'react';
import { studentTexts } from '@/core/texts/student';
import type { Packed } from '../controls/packed';
import { useUnpacked } from '../controls/packed';
import { useFirstThenAll } from '../controls/useFirstThenAll';
import { KeepOffline } from '../offline/KeepOffline';
import type { KeptDays } from '../offline/keptPlan';
import { DayList } from './DayList';
import styles from './DayList.module.css';
import type { NextDay } from './nextView';

/** More than a phone shows before one scrolls. */
const FIRST = 5;

/** The coming days of a student's home, which the device keeps for when there is no connection. */
export function NextDays({
  person,
  locale,
  keeps,
  ...given
}: {
  days: Packed<readonly NextDay[]>;
  person: string;
  /** As its reader chose to have dates written. */
  locale: string;
  /** Whether these are the days to be kept, not what somebody looks for. */
  keeps: boolean;
}) {
  const days = useUnpacked(given.days);
  const drawn = useFirstThenAll(days, FIRST);
  const kept = useMemo(() => keptDays(person, locale, days), [person, locale, days]);
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

/** So many days are kept: two weeks. */
const KEPT_DAYS = 14;

/** What the device keeps: words, links, and what can be ticked. */
const keptDays = (person: string, locale: string, days: readonly NextDay[]): Omit<KeptDays, 'savedAt'> => ({
  person,
  locale,
  title: studentTexts.nextTitle,
  days: days.slice(0, KEPT_DAYS).map(({ heading, lines }) => ({
    heading,
    lines: lines.map(({ time, tags, title, detail, links, work }) => ({
      time,
      tags: tags.map(({ tag }) => tag).join(' '),
      title,
      detail,
      links: links.map(({ url, label }) => ({ url, label })),
      ...(work ? { work } : {}),
    })),
  })),
});

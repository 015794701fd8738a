'use client';
import { Link } from '@/ui/controls/Link';
import { useMemo } from 'react';
import { studentTexts } from '@/core/texts/student';
import type { Packed } from '../controls/packed';
import { useUnpacked } from '../controls/packed';
import { useFirstThenAll } from '../controls/useFirstThenAll';
import { KeepOffline } from '../offline/KeepOffline';
import type { KeptDays } from '../offline/keptPlan';
import { KEPT_DAYS } from '../offline/keptPlan';
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
  texts,
  ...given
}: {
  days: Packed<readonly NextDay[]>;
  person: string;
  /** As its reader chose to have dates written. */
  locale: string;
  /** Whether these are the days to be kept, not what somebody looks for. */
  keeps: boolean;
  /** What stands under the lines of the days that are kept, by their keys. */
  texts: Readonly<Record<string, string>>;
}) {
  const days = useUnpacked(given.days);
  const drawn = useFirstThenAll(days, FIRST);
  const kept = useMemo(() => keptDays(person, locale, days, texts), [person, locale, days, texts]);
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

/** What the device keeps: words, links, and what can be ticked. */
const keptDays = (
  person: string,
  locale: string,
  days: readonly NextDay[],
  texts: Readonly<Record<string, string>>,
): Omit<KeptDays, 'savedAt'> => ({
  person,
  locale,
  title: studentTexts.nextTitle,
  days: days.slice(0, KEPT_DAYS).map(({ heading, lines }) => ({
    heading,
    lines: lines.map(({ key, time, tags, title, detail, links, work }) => ({
      time,
      tags: tags.map(({ tag }) => tag).join(' '),
      title,
      detail,
      text: texts[key] ?? '',
      links: links.map(({ url, label }) => ({ url, label })),
      ...(work ? { work } : {}),
    })),
  })),
});

'use client';
import { Link } from '@/ui/controls/Link';
import type { Packed } from '../controls/packed';
import { useUnpacked } from '../controls/packed';
import { useFirstThenAll } from '../controls/useFirstThenAll';
import { KeepOffline } from '../offline/KeepOffline';
import { DayList } from './DayList';
import styles from './DayList.module.css';
import type { NextDay } from './nextView';

/** More than a phone shows before one scrolls. */
const FIRST = 5;

/** The coming days of a student's home, which the device keeps, and more, for when there is no connection. */
export function NextDays({
  person,
  version,
  keeps,
  ...given
}: {
  days: Packed<readonly NextDay[]>;
  person: string;
  /** The one that the page was drawn from. */
  version: number;
  /** Whether the device may keep them: not what somebody looks for, and not on a device that others use. */
  keeps: boolean;
}) {
  const days = useUnpacked(given.days);
  const drawn = useFirstThenAll(days, FIRST);
  return (
    <>
      {keeps ? <KeepOffline person={person} version={version} /> : null}
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

'use client';
import type { CSSProperties } from 'react';
import { Temporal } from 'temporal-polyfill';
import type { Stretch } from '@/core/signup/offeredTimes';
import { signupTexts } from '@/core/texts/signup';
import { dateLabel } from '@/core/time/dateLabels';
import { clockOf, useHourDrag } from '../week/useHourDrag';
import styles from './SheetWeek.module.css';
import type { OfferingTerm, SheetPreview } from './sheetPreview';
import { busyOn } from './sheetPreview';

const [FIRST, LAST] = [8, 20];
const SPAN = (LAST - FIRST) * 60;
const { week: say } = signupTexts;

type Props = Readonly<{
  /** The first of the days shown. */
  first: string;
  days: number;
  stretches: readonly Stretch[];
  preview: SheetPreview;
  term: OfferingTerm;
  onPaint: (date: string, from: string, to: string) => void;
  onErase: (stretch: Stretch) => void;
  onToggle: (start: string) => void;
  onWeek: (first: string) => void;
}>;

const at = (from: number, to: number): CSSProperties => ({
  top: `${((Math.max(from, FIRST * 60) - FIRST * 60) / SPAN) * 100}%`,
  height: `${((Math.min(to, LAST * 60) - Math.max(from, FIRST * 60)) / SPAN) * 100}%`,
});
const minutes = (time: Temporal.PlainTime, end = false) =>
  time.hour * 60 + time.minute || (end ? 24 * 60 : 0);
const isShown = (from: number, to: number) => to > FIRST * 60 && from < LAST * 60;

/** A week on which stretches are painted; what one has otherwise stands there, too, and the times that would be offered. */
export function SheetWeek({
  first,
  days,
  stretches,
  preview,
  term,
  onPaint,
  onErase,
  onToggle,
  onWeek,
}: Props) {
  const { drag, begin, surface } = useHourDrag(({ date, from, to }) =>
    onPaint(date, clockOf(from), clockOf(to)),
  );
  const start = Temporal.PlainDate.from(first);
  const dates = Array.from({ length: days }, (_, i) => start.add({ days: i }));
  return (
    <div className={`card ${styles.week}`} role="group" aria-label={say.label} {...surface}>
      <div className={styles.head}>
        <span className={styles.leaf}>
          <button
            type="button"
            aria-label={say.earlier}
            onClick={() => onWeek(start.subtract({ weeks: 1 }).toString())}
          >
            ‹
          </button>
          <button
            type="button"
            aria-label={say.later}
            onClick={() => onWeek(start.add({ weeks: 1 }).toString())}
          >
            ›
          </button>
        </span>
        {dates.map((date) => (
          <span key={date.toString()}>{dateLabel(date, 'short')}</span>
        ))}
      </div>
      <div className={styles.hours}>
        <div className={styles.clock} aria-hidden>
          {Array.from({ length: LAST - FIRST }, (_, i) => (
            <span key={i}>{FIRST + i}:00</span>
          ))}
        </div>
        {dates.map((date) => {
          const key = date.toString();
          const own = stretches.filter((stretch) => stretch.date.equals(date));
          const painted = drag?.what === 'paint' && drag.date === key ? drag : undefined;
          const closed = term.closures.find(
            ({ start: from, end, closesAt, opensAt }) => from <= key && key < end && !closesAt && !opensAt,
          );
          return (
            <div
              key={key}
              className={styles.column}
              data-day={key}
              data-first={FIRST}
              data-minutes={SPAN}
              data-closed={closed !== undefined}
              onPointerDown={(event) => {
                if (event.target === event.currentTarget)
                  begin(event, { what: 'paint', key, date: key, from: 0, to: 0 });
              }}
            >
              {closed ? <span className={styles.closure}>{closed.name}</span> : null}
              {busyOn(term, key).map((busy) =>
                isShown(busy.from, busy.to) ? (
                  <span
                    key={`${busy.from} ${busy.title}`}
                    className={styles.busy}
                    style={at(busy.from, busy.to)}
                  >
                    {busy.title}
                  </span>
                ) : null,
              )}
              {own.map((stretch) => {
                const [from, to] = [minutes(stretch.start), minutes(stretch.end, true)];
                const hours = `${clockOf(from)}–${clockOf(to % (24 * 60))}`;
                return (
                  <span key={hours} className={styles.stretch} style={at(from, to)}>
                    <button
                      type="button"
                      className={styles.erase}
                      aria-label={say.stretch({ hours, day: dateLabel(date, 'short') })}
                      onClick={() => onErase(stretch)}
                    >
                      ✕
                    </button>
                  </span>
                );
              })}
              {(preview.byDay.get(key) ?? []).map((time) =>
                isShown(time.from, time.to) ? (
                  <button
                    key={time.start}
                    type="button"
                    className={styles.time}
                    data-state={time.state}
                    style={at(time.from, time.to)}
                    aria-label={
                      time.state === 'offered'
                        ? say.time({ clock: clockOf(time.from) })
                        : say.left({ clock: clockOf(time.from) })
                    }
                    disabled={time.state === 'closed' || time.state === 'clash'}
                    onClick={() => onToggle(time.start)}
                  >
                    <span>{clockOf(time.from)}</span> <span>{clockOf(time.to % (24 * 60))}</span>
                  </button>
                ) : null,
              )}
              {painted ? <span className={styles.painting} style={at(painted.from, painted.to)} /> : null}
            </div>
          );
        })}
      </div>
    </div>
  );
}

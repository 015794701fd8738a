'use client';
import type { KeyboardEvent, PointerEvent } from 'react';
import { useRef, useState } from 'react';
import { Temporal } from 'temporal-polyfill';
import { panelTexts } from '@/core/texts/term';
import type { LineDate } from '../entries/panelData';
import styles from './DateLine.module.css';

/** Days that the line reaches beyond its first and last date. */
const ROOM = 10;
const STEPS: Record<string, number> = {
  ArrowLeft: -1,
  ArrowRight: 1,
  ArrowDown: -1,
  ArrowUp: 1,
  PageDown: -7,
  PageUp: 7,
};

type Held = Readonly<{ field: LineDate['field']; days: number }>;

/**
 * The dates of an entry on one line, each a slider by days: dragged, or moved with the arrows (a week with Page Up and
 * Page Down) and put down with Enter or by leaving; Escape lets it go back.
 */
export function DateLine({
  dates,
  dayWords,
  onMove,
}: {
  dates: readonly LineDate[];
  dayWords: (date: string) => string | undefined;
  onMove: (date: LineDate, to: string) => void;
}) {
  const line = useRef<HTMLDivElement>(null);
  const [held, setHeld] = useState<Held>();
  const days = dates.map(({ day }) => Temporal.PlainDate.from(day));
  const sorted = [...days].sort(Temporal.PlainDate.compare);
  const first = sorted[0]!.subtract({ days: ROOM });
  const length = first.until(sorted.at(-1)!, { largestUnit: 'days' }).days + ROOM;
  const offset = (day: Temporal.PlainDate) => first.until(day, { largestUnit: 'days' }).days;
  const at = (i: number) => days[i]!.add({ days: held?.field === dates[i]!.field ? held.days : 0 });

  const put = (date: LineDate) => {
    if (held?.field === date.field && held.days !== 0)
      onMove(date, Temporal.PlainDate.from(date.day).add({ days: held.days }).toString());
    setHeld(undefined);
  };
  const drag = (event: PointerEvent, date: LineDate) => {
    if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
    const box = line.current!.getBoundingClientRect();
    const day = Math.round(((event.clientX - box.left) / box.width) * length);
    setHeld({ field: date.field, days: day - offset(Temporal.PlainDate.from(date.day)) });
  };
  const onKey = (event: KeyboardEvent, date: LineDate) => {
    const step = STEPS[event.key];
    if (step) setHeld({ field: date.field, days: (held?.field === date.field ? held.days : 0) + step });
    else if (event.key === 'Enter') put(date);
    else if (event.key === 'Escape' && held) setHeld(undefined);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const moving = dates.findIndex((date) => date.field === held?.field);

  return (
    <div className={styles.dates}>
      <div ref={line} className={styles.line} role="group" aria-label={panelTexts.lineOfDates}>
        {dates.map((date, i) => {
          const words = dayWords(at(i).toString()) ?? at(i).toString();
          return (
            <button
              key={date.field}
              type="button"
              role="slider"
              className={styles.mark}
              style={{ left: `${(offset(at(i)) / length) * 100}%` }}
              data-main={date.field === 'main'}
              aria-label={date.label}
              aria-valuemin={0}
              aria-valuemax={length}
              aria-valuenow={offset(at(i))}
              aria-valuetext={words}
              title={panelTexts.dateOf({ label: date.label, words })}
              onPointerDown={(event) => {
                if (event.button === 0) event.currentTarget.setPointerCapture(event.pointerId);
              }}
              onPointerMove={(event) => drag(event, date)}
              onPointerUp={() => put(date)}
              onPointerCancel={() => setHeld(undefined)}
              onBlur={() => put(date)}
              onKeyDown={(event) => onKey(event, date)}
            />
          );
        })}
      </div>
      <dl className={styles.words}>
        {dates.map((date, i) => (
          <div key={date.field} data-moving={i === moving}>
            <dt>{date.label}</dt>
            <dd className="numbers">
              {i === moving ? (dayWords(at(i).toString()) ?? at(i).toString()) : date.value}
            </dd>
          </div>
        ))}
      </dl>
    </div>
  );
}

'use client';
import { Link } from '@/ui/controls/Link';
import { useRouter } from 'next/navigation';
import type { CSSProperties, KeyboardEvent } from 'react';
import { Temporal } from 'temporal-polyfill';
import { termTexts } from '@/core/texts/term';
import { weekTexts } from '@/core/texts/week';
import { callApi } from '../controls/callApi';
import { useMessages } from '../controls/Messages';
import type { Desk } from '../plan/PlanDesk';
import { TermItem } from '../term/TermItem';
import type { GridItem } from '../term/termMarks';
import type { HourDrag } from './useHourDrag';
import { briefTime, timeLabel } from '@/core/time/dateLabels';
import { clockOf, useHourDrag } from './useHourDrag';
import styles from './Week.module.css';
import type { WeekBlock, WeekView } from './weekView';

/** Events, work that is due and notes can be drawn elsewhere; a class keeps its hours. */
const isDrawn = (item: GridItem) => item.movable && item.entry !== undefined;

/** The hours of a week: painted on to add, marks moved and given another end, by pointer and by keyboard. */
export function Hours({ view, desk }: { view: WeekView; desk: Desk }) {
  const router = useRouter();
  const say = useMessages();
  const [first, end] = view.hours;
  const timeOf = (minutes: number) => Temporal.PlainTime.from(clockOf(minutes));
  const shown = (minutes: number) => timeLabel(timeOf(minutes), view.locale);
  const brief = (minutes: number) => briefTime(timeOf(minutes), view.locale);
  const dayOf = (date: string) => view.days.find((day) => day.date === date)?.label ?? date;
  const span = (end - first) * 60;
  const blocks = new Map(view.days.flatMap((day) => day.blocks.map((block) => [block.item.key, block])));

  const place = async (item: GridItem, date: string, from: number, to: number) => {
    const answer = await callApi('PUT', `/api/entries/${item.entry}/place`, {
      start: `${date}T${clockOf(from)}`,
      end: item.end ? `${date}T${clockOf(to)}` : undefined,
      recurrenceId: item.recurrenceId,
    });
    if (answer.ok)
      say(termTexts.moved({ title: item.title, when: `${dayOf(date)}, ${shown(from)}` }), answer.history);
    else say(Object.values(answer.fields)[0] ?? answer.message);
    router.refresh();
  };
  const onDone = ({ what, key, date, from, to }: HourDrag) => {
    const block = blocks.get(key);
    if (what === 'paint') desk.add({ day: date, starts: clockOf(from), ends: clockOf(to) });
    else if (block) void place(block.item, date, from, to);
  };
  const { drag, begin, wasDragged, surface } = useHourDrag(onDone);
  const onKey = (event: KeyboardEvent, { item, from, to }: WeekBlock) => {
    const days = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    const minutes = { ArrowUp: -15, ArrowDown: 15 }[event.key];
    if (!event.altKey || !isDrawn(item) || (days === undefined && minutes === undefined)) return;
    event.preventDefault();
    if (days !== undefined) desk.move([item], Temporal.PlainDate.from(item.date).add({ days }).toString());
    else void place(item, item.date, from + minutes!, to + minutes!);
  };
  const at = (from: number, to: number, lane = 0, lanes = 1): CSSProperties => ({
    top: `${((from - first * 60) / span) * 100}%`,
    height: `${((to - from) / span) * 100}%`,
    left: `${(lane / lanes) * 100}%`,
    width: `${100 / lanes}%`,
  });
  const isSelected = (item: GridItem) =>
    desk.selected !== undefined && desk.selected === (item.entry ?? item.meeting);
  const { nowMinutes } = view;

  return (
    <div className={styles.week} role="group" aria-label={weekTexts.grid} {...surface}>
      <div className={styles.head}>
        <span />
        {view.days.map((day) => (
          <span key={day.date} className={styles.dayName} data-today={day.today}>
            <Link href={`/day/${day.date}`}>{day.label}</Link>
            {day.closed ? <span className={styles.closed}>{day.closed}</span> : null}
          </span>
        ))}
      </div>
      <div className={styles.allDay}>
        <span className="soft">{weekTexts.allDay}</span>
        {view.days.map((day) => (
          <div key={day.date}>
            {day.allDay.map((item) => (
              <TermItem
                key={item.key}
                item={item}
                selected={isSelected(item)}
                picked={false}
                reachable
                onOpen={() => desk.open(item)}
              />
            ))}
          </div>
        ))}
      </div>
      <div className={styles.hours} style={{ '--hours': end - first } as CSSProperties}>
        <div className={styles.clock} aria-hidden>
          {Array.from({ length: end - first }, (_, i) => (
            <span key={i}>{brief((first + i) * 60)}</span>
          ))}
        </div>
        {view.days.map((day) => (
          <div
            key={day.date}
            className={styles.column}
            data-day={day.date}
            data-first={first}
            data-minutes={span}
            data-today={day.today}
            data-closed={day.closed !== undefined && !day.partly}
            role="group"
            aria-label={day.long}
            onPointerDown={(event) =>
              desk.canAdd && begin(event, { what: 'paint', key: '', date: day.date, from: 0, to: 0 })
            }
          >
            {day.blocks.map((block) => {
              const { item, from, to, lane, lanes } = block;
              const start = { key: item.key, date: day.date, from, to };
              return (
                <div
                  key={item.key}
                  className={styles.block}
                  style={at(from, to, lane, lanes)}
                  data-ghost={drag?.key === item.key}
                  data-short={to - from < 45}
                  onKeyDown={(event) => onKey(event, block)}
                >
                  <TermItem
                    item={item}
                    selected={isSelected(item)}
                    picked={false}
                    reachable
                    onOpen={() => wasDragged() || desk.open(item)}
                    onPress={(event) =>
                      isDrawn(item) ? begin(event, { what: 'move', ...start }) : event.stopPropagation()
                    }
                  />
                  {isDrawn(item) && item.end ? (
                    <span
                      className={styles.handle}
                      title={weekTexts.resize({ title: item.title })}
                      onPointerDown={(event) => begin(event, { what: 'resize', ...start })}
                    />
                  ) : null}
                </div>
              );
            })}
            {drag?.date === day.date ? (
              <div className={styles.ghost} style={at(drag.from, drag.to)}>
                {shown(drag.from)}–{shown(Math.min(drag.to, 24 * 60 - 1))}
              </div>
            ) : null}
            {day.today && nowMinutes !== undefined && nowMinutes >= first * 60 && nowMinutes <= end * 60 ? (
              <div className={styles.now} style={{ top: at(nowMinutes, nowMinutes).top }} />
            ) : null}
          </div>
        ))}
      </div>
    </div>
  );
}

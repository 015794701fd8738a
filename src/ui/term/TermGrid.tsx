'use client';
import type { CSSProperties, KeyboardEvent } from 'react';
import { useRef, useState } from 'react';
import { termTexts } from '@/core/texts/term';
import styles from './TermGrid.module.css';
import { TermItem } from './TermItem';
import type { GridDay, GridItem, GridWeek, TermGridView } from './termView';

/** Beyond this many a cell shows a count, which opens the day in place. */
const SHOWN = 2;

const ARROWS: Record<string, readonly [number, number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

type Props = Readonly<{
  view: TermGridView;
  selected?: string;
  day?: string;
  canAdd: boolean;
  onOpen: (item: GridItem) => void;
  /** Adds to a day; `typed` is what was typed on it already. */
  onDay: (date: string, typed?: string) => void;
}>;

/**
 * Weeks down, days across, after the ARIA grid pattern: arrows move between days, Enter goes into a day's entries or adds to an empty one, typing adds to any, Escape comes back out.
 */
export function TermGrid({ view, selected, day, canAdd, onOpen, onDay }: Props) {
  const table = useRef<HTMLDivElement>(null);
  const [active, setActive] = useState<readonly [number, number]>(() => startOf(view.weeks));
  const [opened, setOpened] = useState<string>();

  const columns = {
    '--columns': view.columns.map(({ narrow }) => `minmax(0, ${narrow ? 0.72 : 1}fr)`).join(' '),
  } as CSSProperties;

  const focus = (row: number, column: number) => {
    if (!view.weeks[row]?.days[column]) return;
    setActive([row, column]);
    table.current?.querySelector<HTMLElement>(`[data-cell="${row} ${column}"]`)?.focus();
  };

  const onKey = (event: KeyboardEvent<HTMLElement>, cell: GridDay, row: number, column: number) => {
    if (event.altKey || event.ctrlKey || event.metaKey) return;
    const inside = event.target !== event.currentTarget;
    const items = [...event.currentTarget.querySelectorAll<HTMLElement>('button')];
    const arrow = ARROWS[event.key];
    if (event.key === 'Escape') {
      setOpened(undefined);
      event.currentTarget.focus();
    } else if (inside && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      event.preventDefault();
      items[items.indexOf(event.target as HTMLElement) + (event.key === 'ArrowUp' ? -1 : 1)]?.focus();
    } else if (arrow) {
      event.preventDefault();
      focus(row + arrow[0], column + arrow[1]);
    } else if (event.key === 'Home' || event.key === 'End') {
      event.preventDefault();
      focus(row, event.key === 'Home' ? 0 : view.columns.length - 1);
    } else if (!inside && event.key === 'Enter') {
      event.preventDefault();
      // Enter goes in where there is something to open, and adds where there is nothing.
      if (items[0]) items[0].focus();
      else if (canAdd) onDay(cell.date);
    } else if (!inside && canAdd && event.key.length === 1 && event.key !== ' ') {
      event.preventDefault();
      onDay(cell.date, event.key);
    }
  };

  return (
    <div className={styles.grid} style={columns} role="grid" aria-label={termTexts.grid} ref={table}>
      <div role="row" className={styles.head}>
        <span role="columnheader" className="visually-hidden">
          {termTexts.title}
        </span>
        {view.columns.map(({ label }) => (
          <span role="columnheader" key={label}>
            {label}
          </span>
        ))}
      </div>
      {view.weeks.map((week, row) => (
        <div
          role="row"
          key={week.number}
          className={styles.week}
          id={week.now ? 'now' : undefined}
          data-now={week.now}
          data-past={week.past}
        >
          <div role="rowheader" className={styles.weekName}>
            <b>{week.number}</b> <span className="numbers">{week.range}</span>
            {week.theme ? (
              <span className={styles.theme} title={week.theme}>
                {week.theme}
              </span>
            ) : null}
          </div>
          {week.days.map((cell, column) => {
            const here = active[0] === row && active[1] === column;
            const all = opened === cell.date;
            const shown = all
              ? cell.items
              : cell.items.slice(0, cell.items.length > SHOWN ? SHOWN - 1 : SHOWN);
            const more = cell.items.length - shown.length;
            return (
              <div
                role="gridcell"
                key={cell.date}
                data-cell={`${row} ${column}`}
                data-date={cell.date}
                data-today={cell.today}
                data-outside={!cell.inTerm}
                data-add={canAdd}
                data-closed={cell.closed !== undefined}
                data-empty={cell.items.length === 0}
                data-long={cell.long}
                className={styles.cell}
                tabIndex={here ? 0 : -1}
                aria-label={`${cell.long}${cell.today ? `, ${termTexts.today}` : ''}: ${cell.items.length === 0 ? (cell.closed ?? termTexts.empty) : termTexts.entries(cell.items.length)}`}
                aria-selected={day === cell.date}
                onKeyDown={(event) => onKey(event, cell, row, column)}
                onFocus={() => setActive([row, column])}
                onClick={(event) => {
                  if (canAdd && event.target === event.currentTarget) onDay(cell.date);
                }}
              >
                {cell.closed ? <span className={styles.closed}>{cell.closed}</span> : null}
                <div className={all ? styles.opened : styles.items} data-alone={cell.items.length === 1}>
                  {shown.map((item) => (
                    <TermItem
                      key={item.key}
                      item={item}
                      selected={item.entry !== undefined && item.entry === selected}
                      onOpen={() => onOpen(item)}
                    />
                  ))}
                  {more > 0 || all ? (
                    <button
                      type="button"
                      className={styles.more}
                      tabIndex={-1}
                      aria-expanded={all}
                      aria-label={all ? termTexts.fewer : termTexts.moreOn(more, cell.long)}
                      onClick={() => setOpened(all ? undefined : cell.date)}
                    >
                      {all ? termTexts.fewer : termTexts.more(more)}
                    </button>
                  ) : null}
                </div>
              </div>
            );
          })}
        </div>
      ))}
    </div>
  );
}

/** The cell that the keyboard enters first: today, or the first day. */
function startOf(weeks: readonly GridWeek[]): readonly [number, number] {
  const row = weeks.findIndex((week) => week.now);
  const column = weeks[row]?.days.findIndex((day) => day.today) ?? -1;
  return row < 0 || column < 0 ? [0, 0] : [row, column];
}

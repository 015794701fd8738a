'use client';
import type { CSSProperties, KeyboardEvent } from 'react';
import { useMemo, useRef, useState } from 'react';
import { Temporal } from 'temporal-polyfill';
import { termTexts } from '@/core/texts/term';
import type { Desk } from '../plan/PlanDesk';
import styles from './TermGrid.module.css';
import { movedMarks } from './movedMarks';
import { TermItem } from './TermItem';
import type { GridItem } from './termMarks';
import type { GridBar, GridDay, GridWeek, TermGridView } from './termView';
import { useDragLoad } from './useDragLoad';
import { useGridDrag } from './useGridDrag';
import { useOpenDay } from './useOpenDay';

const ARROWS: Record<string, readonly [number, number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

type Props = Readonly<{ view: TermGridView; desk: Desk }>;

/**
 * Weeks down, days across, after the ARIA grid pattern: arrows move between days, Enter goes into a day's entries or adds to
 * an empty one, typing adds to any, Alt with an arrow moves an entry by a day or a week, Escape comes back out.
 */
export function TermGrid({ view, desk }: Props) {
  const table = useRef<HTMLDivElement>(null);
  const [active, setActive] = useState<readonly [number, number]>(() => startOf(view.weeks));
  const { open, opening } = useOpenDay();
  const [picked, setPicked] = useState<ReadonlyMap<string, GridItem>>(new Map());
  const { pending } = desk;
  const weeks = useMemo(
    () => (pending ? movedMarks(view.weeks, pending) : view.weeks),
    [view.weeks, pending],
  );
  const all = weeks.flatMap((week) =>
    week.days.flatMap((day) => [...day.bars.map(({ item }) => item), ...day.items]),
  );
  /** A mark with all that are chosen along with it, the one that is moved by hand first. */
  const together = (item: GridItem) =>
    picked.has(item.key) ? [item, ...[...picked.values()].filter((i) => i.key !== item.key)] : [item];
  const { drag, begin, wasDragged, surface } = useGridDrag({
    onMark: (key, to) => {
      const item = all.find((i) => i.key === key);
      if (item && item.date !== to) desk.move(together(item), to);
      setPicked(new Map());
    },
    onDays: (day, lastDay) => desk.canAdd && desk.add({ day, lastDay }),
  });
  const moving = drag?.kind === 'mark' ? all.find((i) => i.key === drag.key) : undefined;
  const load = useDragLoad(moving?.kind === 'due' ? moving.entry : undefined);
  const columns = {
    '--columns': view.columns.map(({ narrow }) => `minmax(0, ${partOf(narrow)}fr)`).join(' '),
  } as CSSProperties;

  const focus = (row: number, column: number) => {
    if (!view.weeks[row]?.days[column]) return;
    setActive([row, column]);
    table.current?.querySelector<HTMLElement>(`[data-cell="${row} ${column}"]`)?.focus();
  };
  /** By a day, or a week; the focus stays with what moved once it is drawn anew. */
  const moveBy = (item: GridItem, [weeks, days]: readonly [number, number]) => {
    if (!item.movable) return;
    const to = Temporal.PlainDate.from(item.date).add({ days: weeks * 7 + days });
    desk.move(together(item), to.toString());
    setPicked(new Map());
  };

  const onKey = (event: KeyboardEvent<HTMLElement>, cell: GridDay, row: number, column: number) => {
    if (event.ctrlKey || event.metaKey) return;
    const inside = event.target !== event.currentTarget;
    const arrow = ARROWS[event.key];
    if (event.altKey) {
      const key = (event.target as HTMLElement).dataset.key;
      const here = [...cell.bars.map((bar) => bar.item), ...cell.items];
      const item = here.find((i) => i.key === key) ?? (here.length === 1 ? here[0] : undefined);
      if (!arrow || !item) return;
      event.preventDefault();
      return moveBy(item, arrow);
    }
    const items = [...event.currentTarget.querySelectorAll<HTMLElement>('button')];
    if (event.key === 'Escape') {
      if (cell.whole) open(undefined);
      setPicked(new Map());
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
      else if (desk.canAdd) desk.add({ day: cell.date });
    } else if (!inside && desk.canAdd && event.key.length === 1 && event.key !== ' ') {
      event.preventDefault();
      desk.add({ day: cell.date, typed: event.key });
    }
  };
  const onItem = (item: GridItem, extend: boolean) => {
    if (wasDragged()) return;
    if (!extend || !item.movable) return desk.open(item);
    const next = new Map(picked);
    if (!next.delete(item.key)) next.set(item.key, item);
    setPicked(next);
  };

  return (
    <>
      <p className="visually-hidden" aria-live="polite">
        {picked.size > 0 ? termTexts.picked({ n: picked.size }) : ''}
      </p>
      <div
        className={styles.grid}
        style={columns}
        role="grid"
        aria-label={termTexts.grid}
        ref={table}
        data-zoom={view.zoom}
        data-room={view.room}
        data-dragging={drag !== undefined}
        {...surface}
      >
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
        {weeks.map((week, row) => (
          <div
            role="row"
            key={week.number}
            className={styles.week}
            id={week.now ? 'now' : undefined}
            data-now={week.now}
            data-past={week.past}
            style={{ '--lanes': week.lanes } as CSSProperties}
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
              const more = cell.count - cell.items.length;
              const count = cell.count + cell.bars.length;
              return (
                <div
                  role="gridcell"
                  key={cell.date}
                  data-cell={`${row} ${column}`}
                  data-date={cell.date}
                  data-today={cell.today}
                  data-outside={!cell.inTerm}
                  data-add={desk.canAdd}
                  data-closed={cell.closed !== undefined && !cell.partly}
                  data-empty={count === 0}
                  data-long={cell.long}
                  data-load={load?.get(cell.date)?.words}
                  data-much={load?.get(cell.date)?.much}
                  className={styles.cell}
                  tabIndex={here ? 0 : -1}
                  aria-label={`${cell.long}${cell.today ? `, ${termTexts.today}` : ''}: ${count === 0 ? (cell.closed ?? termTexts.empty) : termTexts.entries({ n: count })}${cell.during ? `, ${termTexts.during({ titles: cell.during })}` : ''}`}
                  aria-selected={desk.day === cell.date}
                  onKeyDown={(event) => onKey(event, cell, row, column)}
                  onFocus={() => setActive([row, column])}
                  onPointerDown={(event) => {
                    if (desk.canAdd && event.target === event.currentTarget) begin(event, 'days', cell.date);
                  }}
                  onClick={(event) => {
                    if (event.target !== event.currentTarget || wasDragged()) return;
                    if (desk.canAdd) desk.add({ day: cell.date });
                  }}
                >
                  {cell.bars.map((bar) => (
                    <div
                      key={bar.item.key}
                      className={styles.bar}
                      data-begins={bar.begins}
                      data-ends={bar.ends}
                      style={{ '--lane': bar.lane, '--reach': reachOf(bar, view.columns) } as CSSProperties}
                    >
                      <TermItem
                        item={bar.ends ? bar.item : { ...bar.item, by: bar.until }}
                        selected={desk.selected !== undefined && desk.selected === bar.item.entry}
                        picked={picked.has(bar.item.key)}
                        onOpen={(extend) => onItem(bar.item, extend)}
                        onPress={(event) => bar.item.movable && begin(event, 'mark', bar.item.key)}
                      />
                    </div>
                  ))}
                  {cell.name ? (
                    <span className={styles.dayName} aria-hidden>
                      {cell.name}
                    </span>
                  ) : null}
                  {cell.closed ? <span className={styles.closed}>{cell.closed}</span> : null}
                  <div className={cell.whole ? styles.opened : styles.items} data-alone={cell.count === 1}>
                    {cell.items.map((item) => (
                      <TermItem
                        key={item.key}
                        item={item}
                        selected={
                          desk.selected !== undefined && desk.selected === (item.entry ?? item.meeting)
                        }
                        picked={picked.has(item.key)}
                        onOpen={(extend) => onItem(item, extend)}
                        onPress={(event) => item.movable && begin(event, 'mark', item.key)}
                      />
                    ))}
                    {cell.behind ? <span className={styles.printed}>{cell.behind}</span> : null}
                    {more > 0 || cell.whole ? (
                      <button
                        type="button"
                        className={styles.more}
                        tabIndex={-1}
                        aria-expanded={cell.whole}
                        aria-busy={opening === cell.date}
                        aria-label={
                          cell.whole ? termTexts.fewer : termTexts.moreOn({ n: more, day: cell.long })
                        }
                        onClick={() => open(cell.whole ? undefined : cell.date)}
                      >
                        {cell.whole ? termTexts.fewer : termTexts.more({ n: more })}
                      </button>
                    ) : null}
                  </div>
                </div>
              );
            })}
          </div>
        ))}
      </div>
    </>
  );
}

/** The width of a column, in parts of a day's. */
const partOf = (narrow: boolean): number => (narrow ? 0.72 : 1);

/** How wide a line is, in widths of the column in which it begins. */
function reachOf({ from, to }: GridBar, columns: TermGridView['columns']): number {
  const parts = columns.map(({ narrow }) => partOf(narrow));
  return parts.slice(from, to + 1).reduce((sum, part) => sum + part, 0) / parts[from]!;
}

/** The cell that the keyboard enters first: today, or the first day. */
function startOf(weeks: readonly GridWeek[]): readonly [number, number] {
  const row = weeks.findIndex((week) => week.now);
  const column = weeks[row]?.days.findIndex((day) => day.today) ?? -1;
  return row < 0 || column < 0 ? [0, 0] : [row, column];
}

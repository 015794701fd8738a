'use client';
import DownIcon from '@mui/icons-material/ArrowDownwardOutlined';
import UpIcon from '@mui/icons-material/ArrowUpwardOutlined';
import type { ReactTable } from '@tanstack/react-table';
import { useWindowVirtualizer } from '@tanstack/react-virtual';
import dynamic from 'next/dynamic';
import { Link } from '@/ui/controls/Link';
import type { ReactNode } from 'react';
import { useEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { entryTexts } from '@/core/texts/entries';
import { everythingTexts as say } from '@/core/texts/everything';
import { useTakenOver } from '../controls/useFirstThenAll';
import type { Desk } from '../plan/PlanDesk';
import styles from './Everything.module.css';
import type { features } from './everythingTable';
import type { EverythingRow } from './everythingView';

const LineEditor = dynamic(async () => (await import('./LineEditor')).LineEditor);

export type EverythingTable = ReactTable<typeof features, EverythingRow>;
type ListRow = ReturnType<EverythingTable['getRowModel']>['rows'][number];
type ColumnId = keyof typeof say.columns;

/** More than any screen has room for. */
const FIRST = 60;
/** The height of most rows, in pixels; each is measured once it is drawn. */
const ROW = 33;

/** The rows that are in sight and some around them, with the room that the others take; all of them on paper. */
function useRowsInSight(rows: readonly ListRow[], top: React.RefObject<HTMLElement | null>) {
  const takenOver = useTakenOver();
  const [printing, setPrinting] = useState(false);
  const [scrollMargin, setMargin] = useState(0);
  useEffect(() => {
    // What stands above the rows changes: filters, what can be done with the chosen ones, messages.
    const watched = new ResizeObserver(() =>
      setMargin((top.current?.getBoundingClientRect().top ?? 0) + window.scrollY),
    );
    watched.observe(document.body);
    return () => watched.disconnect();
  }, [top]);
  useEffect(() => {
    const begin = () => flushSync(() => setPrinting(true));
    const end = () => setPrinting(false);
    window.addEventListener('beforeprint', begin);
    window.addEventListener('afterprint', end);
    return () => {
      window.removeEventListener('beforeprint', begin);
      window.removeEventListener('afterprint', end);
    };
  }, []);
  const virtualizer = useWindowVirtualizer({
    count: rows.length,
    estimateSize: () => ROW,
    getItemKey: (index) => rows[index]!.id,
    overscan: 12,
    scrollMargin,
  });
  const all = (list: readonly ListRow[]) => list.map((row, index) => ({ row, index }));
  // What the server draws has no room of its own making: styles in the markup are not let through.
  if (!takenOver) return { drawn: all(rows.slice(0, FIRST)), before: 0, after: 0 };
  if (printing) return { drawn: all(rows), before: 0, after: 0 };
  const items = virtualizer.getVirtualItems();
  return {
    drawn: items.map(({ index }) => ({ row: rows[index]!, index })),
    before: (items[0]?.start ?? 0) - (items[0] ? scrollMargin : 0),
    after: virtualizer.getTotalSize() - ((items.at(-1)?.end ?? scrollMargin) - scrollMargin),
    measure: virtualizer.measureElement,
  };
}

/** Plain elements in the rows: a term has hundreds of them, and a component for each cell would be slow to draw. */
export function RowTable({ table, desk }: { table: EverythingTable; desk: Desk }) {
  const { rows } = table.getRowModel();
  const body = useRef<HTMLTableSectionElement>(null);
  const [editing, setEditing] = useState<string>();
  const { drawn, before, after, measure } = useRowsInSight(rows, body);
  const shown = table.getVisibleLeafColumns().map(({ id }) => id as ColumnId);
  const span = shown.length + 2;
  return (
    <div className={styles.scroll} tabIndex={0} role="group" aria-label={say.title}>
      <table className={styles.table} aria-rowcount={rows.length + 1}>
        <Head table={table} rows={rows} />
        <tbody ref={body}>
          {before > 0 ? <Room height={before} span={span} /> : null}
          {drawn.map(({ row, index }) => (
            <tr
              key={row.id}
              ref={measure}
              data-index={index}
              aria-rowindex={index + 2}
              data-course={row.original.tags[0]?.color}
              data-selected={
                desk.selected !== undefined && desk.selected === (row.original.entry ?? row.original.meeting)
              }
            >
              {row.original.line && editing === row.id ? (
                <td colSpan={span}>
                  <LineEditor
                    entry={row.original.entry!}
                    line={row.original.line}
                    onDone={() => setEditing(undefined)}
                  />
                </td>
              ) : (
                <Cells row={row} shown={shown} desk={desk} onEdit={() => setEditing(row.id)} />
              )}
            </tr>
          ))}
          {after > 0 ? <Room height={after} span={span} /> : null}
        </tbody>
      </table>
    </div>
  );
}

/** The room of rows that are not drawn. */
const Room = ({ height, span }: { height: number; span: number }) => (
  <tr aria-hidden className={styles.room}>
    <td colSpan={span} style={{ height }} />
  </tr>
);

function Head({ table, rows }: { table: EverythingTable; rows: readonly ListRow[] }) {
  const choosable = rows.filter((row) => row.getCanSelect());
  return (
    <thead>
      <tr>
        <td>
          {choosable.length > 0 ? (
            <input
              type="checkbox"
              aria-label={say.chooseAll}
              checked={choosable.every((row) => row.getIsSelected())}
              onChange={(event) => {
                const { checked } = event.target;
                table.setRowSelection(
                  Object.fromEntries(checked ? choosable.map(({ id }) => [id, true]) : []),
                );
              }}
            />
          ) : null}
        </td>
        {table.getFlatHeaders().map(({ column }) => {
          const sorted = column.getIsSorted();
          return (
            <th
              key={column.id}
              data-column={column.id}
              aria-sort={sorted ? (sorted === 'desc' ? 'descending' : 'ascending') : undefined}
            >
              <button type="button" onClick={() => column.toggleSorting()}>
                {say.columns[column.id as ColumnId]}
                {sorted === 'asc' ? <UpIcon /> : sorted === 'desc' ? <DownIcon /> : null}
              </button>
            </th>
          );
        })}
        <td />
      </tr>
    </thead>
  );
}

const CELLS: Readonly<Record<ColumnId, (row: EverythingRow, desk: Desk) => ReactNode>> = {
  week: ({ week }) => week || '',
  date: ({ day }) => day,
  time: ({ time }) => time,
  tags: ({ tags }) =>
    tags.map((tag) => (
      <span key={tag.tag} className="tag" data-course={tag.color}>
        {tag.tag}
      </span>
    )),
  kind: ({ kind }) => entryTexts.kind[kind],
  title: (row, desk) => (
    <>
      <Title row={row} desk={desk} /> <span className="soft">{row.detail}</span>
    </>
  ),
  shown: ({ release }) => entryTexts.release[release],
};

function Cells({
  row,
  shown,
  desk,
  onEdit,
}: {
  row: ListRow;
  shown: readonly ColumnId[];
  desk: Desk;
  onEdit: () => void;
}) {
  const { original } = row;
  const name = `${original.title}, ${original.day}`;
  return (
    <>
      <td>
        {row.getCanSelect() ? (
          <input
            type="checkbox"
            aria-label={say.choose({ title: name })}
            checked={row.getIsSelected()}
            onChange={() => row.toggleSelected()}
          />
        ) : null}
      </td>
      {shown.map((id) => (
        <td key={id} data-column={id} data-open={original.release !== 'shown'}>
          {CELLS[id](original, desk)}
        </td>
      ))}
      <td data-column="change">
        {original.line ? (
          <button
            type="button"
            className={styles.open}
            aria-label={say.change({ title: name })}
            onClick={onEdit}
          >
            {say.changeShort}
          </button>
        ) : null}
      </td>
    </>
  );
}

function Title({ row, desk }: { row: EverythingRow; desk: Desk }) {
  if (row.entry || row.meeting)
    return (
      <button type="button" className={styles.open} data-off={row.off} onClick={() => desk.open(row)}>
        {row.title}
      </button>
    );
  return row.href ? <Link href={row.href}>{row.title}</Link> : <>{row.title}</>;
}

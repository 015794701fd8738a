'use client';
import Link from 'next/link';
import { useState } from 'react';
import { entryTexts } from '@/core/texts/entries';
import { everythingTexts as say } from '@/core/texts/everything';
import { useFirstThenAll } from '../controls/useFirstThenAll';
import type { Desk } from '../plan/PlanDesk';
import styles from './Everything.module.css';
import type { EverythingRow } from './everythingView';
import { LineEditor } from './LineEditor';
import type { Column, Search } from './findRows';
import { COLUMNS } from './findRows';

type Props = Readonly<{
  rows: readonly EverythingRow[];
  desk: Desk;
  chosen: ReadonlySet<string>;
  onChoose: (chosen: ReadonlySet<string>) => void;
  sort: Pick<Search, 'by' | 'down'>;
  onSort: (by: Column) => void;
}>;

/** More than any screen has room for. */
const FIRST = 60;

const canBeChosen = (row: EverythingRow) => row.movable && row.entry !== undefined;

/** Plain elements: a term has hundreds of rows, and a component for each would be slow to draw. */
export function RowTable({ rows, desk, chosen, onChoose, sort, onSort }: Props) {
  const choosable = rows.filter(canBeChosen);
  const drawn = useFirstThenAll(rows, FIRST);
  const [editing, setEditing] = useState<string>();
  const toggle = (key: string) => {
    const next = new Set(chosen);
    if (!next.delete(key)) next.add(key);
    onChoose(next);
  };
  return (
    <div className={styles.scroll} tabIndex={0} role="group" aria-label={say.title}>
      <table className={styles.table}>
        <thead>
          <tr>
            <td>
              {choosable.length > 0 ? (
                <input
                  type="checkbox"
                  aria-label={say.chooseAll}
                  checked={choosable.every((row) => chosen.has(row.id))}
                  onChange={(event) =>
                    onChoose(new Set(event.target.checked ? choosable.map((row) => row.id) : []))
                  }
                />
              ) : null}
            </td>
            {COLUMNS.map((column) => (
              <th
                key={column}
                aria-sort={sort.by === column ? (sort.down ? 'descending' : 'ascending') : undefined}
              >
                <button type="button" onClick={() => onSort(column)}>
                  {say.columns[column]}
                </button>
              </th>
            ))}
            <td />
          </tr>
        </thead>
        <tbody>
          {drawn.map((row) =>
            row.line && editing === row.id ? (
              <tr key={row.id} data-course={row.tags[0]?.color}>
                <td />
                <td colSpan={COLUMNS.length + 1}>
                  <LineEditor entry={row.entry!} line={row.line} onDone={() => setEditing(undefined)} />
                </td>
              </tr>
            ) : (
              <tr
                key={row.id}
                data-course={row.tags[0]?.color}
                data-selected={desk.selected !== undefined && desk.selected === (row.entry ?? row.meeting)}
              >
                <td>
                  {canBeChosen(row) ? (
                    <input
                      type="checkbox"
                      aria-label={say.choose(`${row.title}, ${row.day}`)}
                      checked={chosen.has(row.id)}
                      onChange={() => toggle(row.id)}
                    />
                  ) : null}
                </td>
                <td className="numbers">{row.week || ''}</td>
                <td className="numbers">{row.day}</td>
                <td className="numbers">{row.time}</td>
                <td>
                  {row.tags.map((tag) => (
                    <span key={tag.tag} className="tag" data-course={tag.color}>
                      {tag.tag}
                    </span>
                  ))}
                </td>
                <td className="soft">{entryTexts.kind[row.kind]}</td>
                <td>
                  <Title row={row} desk={desk} /> <span className="soft">{row.detail}</span>
                </td>
                <td className={row.release === 'shown' ? 'soft' : styles.hidden}>
                  {entryTexts.release[row.release]}
                </td>
                <td>
                  {row.line ? (
                    <button
                      type="button"
                      className={styles.open}
                      aria-label={say.change(`${row.title}, ${row.day}`)}
                      onClick={() => setEditing(row.id)}
                    >
                      {say.changeShort}
                    </button>
                  ) : null}
                </td>
              </tr>
            ),
          )}
        </tbody>
      </table>
    </div>
  );
}

function Title({ row, desk }: { row: EverythingRow; desk: Desk }) {
  if (row.entry || row.meeting)
    return (
      <button type="button" className={styles.open} data-off={row.off} onClick={() => desk.open(row)}>
        {row.title}
      </button>
    );
  return row.href ? (
    <Link href={row.href} prefetch={false}>
      {row.title}
    </Link>
  ) : (
    <>{row.title}</>
  );
}

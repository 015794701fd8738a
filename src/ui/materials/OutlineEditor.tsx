'use client';
import Button from '@mui/material/Button';
import type { DragEvent, KeyboardEvent } from 'react';
import { useState } from 'react';
import { materialTexts as say } from '@/core/texts/materials';
import { useSubmit } from '../controls/useSubmit';
import { MaterialForm } from './MaterialForm';
import styles from './Materials.module.css';
import { MaterialLink } from './OutlineList';
import type { OutlineRow } from './outlineView';
import { PasteMaterials } from './PasteMaterials';
import type { Step } from './placesOf';
import { placesOf } from './placesOf';

const KEYS: Record<string, Step> = { ArrowUp: 'up', ArrowDown: 'down', ArrowRight: 'into', ArrowLeft: 'out' };
const MARKS = { up: '↑', down: '↓', into: '→', out: '←' } as const;

/** An outline that is added to, changed, and put in order by dragging and by keyboard. */
export function OutlineEditor({ course, rows }: { course: string; rows: readonly OutlineRow[] }) {
  const { submit, errors, message, busy } = useSubmit();
  const [editing, setEditing] = useState<string>();
  const [adding, setAdding] = useState(false);
  const [dragged, setDragged] = useState<string>();
  const [over, setOver] = useState<string>();
  const units = rows.filter((row) => row.kind === 'unit');
  const places = placesOf(rows);

  const put = (row: OutlineRow, place: Readonly<{ parent?: string; before?: string }>) =>
    submit('PUT', `/api/materials/${row.id}/place`, place, () => say.moved(row.title));
  const step = (row: OutlineRow, way: Step) => {
    const place = places(row.id)[way];
    if (place) void put(row, place);
  };
  const onKey = (event: KeyboardEvent, row: OutlineRow) => {
    const way = KEYS[event.key];
    if (!event.altKey || !way) return;
    event.preventDefault();
    step(row, way);
  };
  const drop = (event: DragEvent, target: OutlineRow) => {
    event.preventDefault();
    const row = rows.find(({ id }) => id === dragged);
    setDragged(undefined);
    setOver(undefined);
    if (!row || row.id === target.id) return;
    // Upon a unit is into it; upon anything else is in front of it.
    void put(
      row,
      target.kind === 'unit' ? { parent: target.id } : { parent: target.parent, before: target.id },
    );
  };
  const remove = (row: OutlineRow) =>
    submit('DELETE', `/api/materials/${row.id}`, undefined, () => say.removed(row.title));

  return (
    <div className={styles.editor}>
      <section aria-label={say.title}>
        {rows.length === 0 ? <p className="empty">{say.none}</p> : <p className="soft">{say.moveHint}</p>}
        {message || errors.parent ? <p role="alert">{message ?? errors.parent}</p> : null}
        <ul className={styles.outline}>
          {rows.map((row) =>
            editing === row.id ? (
              <li key={row.id}>
                <MaterialForm course={course} row={row} units={units} onDone={() => setEditing(undefined)} />
              </li>
            ) : (
              <li
                key={row.id}
                className={styles.row}
                data-kind={row.kind}
                data-over={over === row.id}
                style={{ paddingLeft: row.depth * 20 }}
                draggable
                onDragStart={() => setDragged(row.id)}
                onDragOver={(event) => {
                  event.preventDefault();
                  setOver(row.id);
                }}
                onDragEnd={() => setOver(undefined)}
                onDrop={(event) => drop(event, row)}
                onKeyDown={(event) => onKey(event, row)}
              >
                <span className={styles.name}>
                  <MaterialLink row={row} /> <span className="soft">{row.kindLabel}</span>
                  {row.note ? <span className={styles.note}>{row.note}</span> : null}
                </span>
                <span className={styles.acts}>
                  {(Object.keys(MARKS) as Step[]).map((way) => (
                    <button
                      key={way}
                      type="button"
                      aria-label={say[way](row.title)}
                      disabled={busy || !places(row.id)[way]}
                      onClick={() => step(row, way)}
                    >
                      {MARKS[way]}
                    </button>
                  ))}
                  <Button size="small" aria-label={say.change(row.title)} onClick={() => setEditing(row.id)}>
                    {say.changeShort}
                  </Button>
                  <Button
                    size="small"
                    aria-label={say.remove(row.title)}
                    disabled={busy}
                    onClick={() => void remove(row)}
                  >
                    {say.removeShort}
                  </Button>
                </span>
              </li>
            ),
          )}
        </ul>
      </section>
      <div className={styles.side}>
        {adding ? (
          <section className="card">
            <h2>{say.add}</h2>
            <MaterialForm course={course} units={units} onDone={() => setAdding(false)} />
          </section>
        ) : (
          <Button variant="contained" onClick={() => setAdding(true)}>
            {say.add}
          </Button>
        )}
        <section className="card">
          <h2>{say.paste}</h2>
          <PasteMaterials course={course} />
        </section>
      </div>
    </div>
  );
}

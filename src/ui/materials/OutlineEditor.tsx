'use client';
import Button from '@mui/material/Button';
import type { DragEvent, KeyboardEvent } from 'react';
import { useState } from 'react';
import { materialTexts as say } from '@/core/texts/materials';
import { packageTexts } from '@/core/texts/packages';
import { useSubmit } from '../controls/useSubmit';
import { MaterialForm } from './MaterialForm';
import styles from './Materials.module.css';
import { MaterialLink } from './OutlineList';
import type { OutlineRow } from './outlineView';
import { PackageImport } from './PackageImport';
import { PasteMaterials } from './PasteMaterials';
import { PlaceUnit } from './PlaceUnit';
import type { Step } from './placesOf';
import { placesOf } from './placesOf';
import { TestLinks } from './TestLinks';
import { UploadFiles } from './UploadFiles';
import { UsedOn } from './UsedOn';

const KEYS: Record<string, Step> = { ArrowUp: 'up', ArrowDown: 'down', ArrowRight: 'into', ArrowLeft: 'out' };
const MARKS = { up: '↑', down: '↓', into: '→', out: '←' } as const;

/** An outline that is added to, changed, and put in order by dragging and by keyboard. */
export function OutlineEditor({
  course,
  rows,
  today,
}: {
  course: string;
  rows: readonly OutlineRow[];
  today: string;
}) {
  const { submit, errors, message, busy } = useSubmit();
  const [editing, setEditing] = useState<string>();
  const [adding, setAdding] = useState(false);
  const [placing, setPlacing] = useState<string>();
  const [dragged, setDragged] = useState<string>();
  const [over, setOver] = useState<string>();
  const unused = rows.filter((row) => row.staff?.uses.length === 0).length;
  const units = rows.filter((row) => row.kind === 'unit');
  const places = placesOf(rows);

  const put = (row: OutlineRow, place: Readonly<{ parent?: string; before?: string }>) =>
    submit('PUT', `/api/materials/${row.id}/place`, place, () => say.moved({ title: row.title }));
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
    submit('DELETE', `/api/materials/${row.id}`, undefined, () => say.removed({ title: row.title }));

  return (
    <div className={styles.editor}>
      <section aria-label={say.title}>
        {rows.length === 0 ? (
          <p className="empty">{say.none}</p>
        ) : (
          <p className="soft">
            {say.moveHint} {unused > 0 ? say.unusedCount({ n: unused }) : null}
          </p>
        )}
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
                  {row.staff?.link && row.staff.link.state !== 'opens' ? (
                    <span
                      className={styles.link}
                      data-state={row.staff.link.state}
                      title={row.staff.link.why}
                    >
                      {row.staff.link.words}
                    </span>
                  ) : null}
                  {row.staff ? (
                    <span className={styles.uses}>
                      <UsedOn staff={row.staff} />
                    </span>
                  ) : null}
                  {row.note ? <span className={styles.note}>{row.note}</span> : null}
                  {placing === row.id ? (
                    <PlaceUnit unit={row} from={today} rest onDone={() => setPlacing(undefined)} />
                  ) : null}
                </span>
                <span className={styles.acts}>
                  {(Object.keys(MARKS) as Step[]).map((way) => (
                    <button
                      key={way}
                      type="button"
                      aria-label={say[way]({ title: row.title })}
                      disabled={busy || !places(row.id)[way]}
                      onClick={() => step(row, way)}
                    >
                      {MARKS[way]}
                    </button>
                  ))}
                  {row.kind === 'unit' ? (
                    <button
                      type="button"
                      className={styles.act}
                      aria-label={say.placeRest({ title: row.title })}
                      onClick={() => setPlacing(row.id)}
                    >
                      {say.placeShort}
                    </button>
                  ) : null}
                  <button
                    type="button"
                    className={styles.act}
                    aria-label={say.change({ title: row.title })}
                    onClick={() => setEditing(row.id)}
                  >
                    {say.changeShort}
                  </button>
                  <button
                    type="button"
                    className={styles.act}
                    aria-label={say.remove({ title: row.title })}
                    disabled={busy}
                    onClick={() => void remove(row)}
                  >
                    {say.removeShort}
                  </button>
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
          <UploadFiles course={course} />
        </section>
        <TestLinks course={course} />
        <section className="card">
          <h2>{packageTexts.title}</h2>
          <PackageImport course={course} />
        </section>
        <section className="card">
          <h2>{say.paste}</h2>
          <PasteMaterials course={course} />
        </section>
      </div>
    </div>
  );
}

'use client';
import { useState } from 'react';
import { materialTexts as say } from '@/core/texts/materials';
import { Field } from '../controls/Field';
import { Select } from '../controls/Select';
import type { PanelCourse } from '../entries/panelData';
import type { OutlineRow } from './outlineView';
import styles from './Shelf.module.css';
import { useOutlines } from './useOutlines';
import type { DropPlace } from './useShelfDrag';
import { useShelfDrag } from './useShelfDrag';

/** The outline of a course beside the plan: its lines are dragged onto days and classes, or planned by Enter. */
export function Shelf({
  courses,
  course,
  version,
  onCourse,
  onDrop,
  onPlan,
}: {
  courses: readonly PanelCourse[];
  course: string;
  version: string;
  onCourse: (course: string) => void;
  onDrop: (row: OutlineRow, place: DropPlace) => void;
  onPlan: (row: OutlineRow) => void;
}) {
  const rows = useOutlines([course], { wanted: true, version });
  const [words, setWords] = useState('');
  const { begin, ghost } = useShelfDrag<OutlineRow>(onDrop);
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = (rows ?? []).filter((row) => wanted.every((word) => row.title.toLowerCase().includes(word)));
  return (
    <section aria-label={say.shelf} className={styles.shelf}>
      <h2>{say.shelf}</h2>
      {courses.length > 1 ? (
        <Select
          label={say.shelfCourse}
          value={course}
          options={courses.map(({ id, tag, title }) => ({ value: id, label: `${tag} ${title}` }))}
          onChange={onCourse}
        />
      ) : null}
      <Field label={say.shelfSearch} type="search" value={words} onChange={setWords} />
      <p className="soft">{rows?.length === 0 ? say.none : say.shelfLead}</p>
      <ul className={styles.rows}>
        {shown.map((row) => (
          <li key={row.id} data-kind={row.kind} style={{ paddingLeft: row.depth * 12 }}>
            <button
              type="button"
              aria-label={say.shelfPlan({ title: row.title })}
              data-unused={row.staff?.uses.length === 0}
              onPointerDown={(event) => begin(event, row)}
              onKeyDown={(event) => {
                if (event.key !== 'Enter' && event.key !== ' ') return;
                event.preventDefault();
                onPlan(row);
              }}
            >
              {row.title}
            </button>
          </li>
        ))}
      </ul>
      {ghost ? (
        <span className={styles.ghost} style={{ left: ghost.x, top: ghost.y }}>
          {ghost.what.title}
        </span>
      ) : null}
    </section>
  );
}

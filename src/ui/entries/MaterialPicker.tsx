'use client';
import { useState } from 'react';
import { materialTexts as say } from '@/core/texts/materials';
import { callApi } from '../controls/callApi';
import { Field } from '../controls/Field';
import type { OutlineRow } from '../materials/outlineView';
import styles from './MaterialPicker.module.css';

const MOST = 8;

/** Search across the materials of some courses; what is chosen becomes a link. */
export function MaterialPicker({
  courses,
  taken,
  onPick,
}: {
  courses: readonly string[];
  /** Materials that are linked already. */
  taken: readonly string[];
  onPick: (material: Pick<OutlineRow, 'id' | 'title'>) => void;
}) {
  const [words, setWords] = useState('');
  const [rows, setRows] = useState<readonly OutlineRow[]>();
  const load = async () => {
    if (rows) return;
    const answers = await Promise.all(
      courses.map((course) => callApi<readonly OutlineRow[]>('GET', `/api/courses/${course}/materials`)),
    );
    setRows(answers.flatMap((answer) => (answer.ok ? answer.value : [])));
  };
  const search = (text: string) => {
    setWords(text);
    void load();
  };
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  const found =
    wanted.length === 0
      ? []
      : (rows ?? [])
          .filter((row) => !taken.includes(row.id))
          .filter((row) => wanted.every((word) => row.title.toLowerCase().includes(word)))
          .slice(0, MOST);
  return (
    <div className={styles.picker}>
      <Field label={say.fromMaterials} value={words} onChange={search} type="search" />
      {wanted.length > 0 && rows && found.length === 0 ? <p className="soft">{say.nothingFound}</p> : null}
      {found.length > 0 ? (
        <ul aria-label={say.title}>
          {found.map((row) => (
            <li key={row.id}>
              <button
                type="button"
                onClick={() => {
                  onPick(row);
                  setWords('');
                }}
              >
                {row.title} <span className="soft">{row.kindLabel}</span>
              </button>
            </li>
          ))}
        </ul>
      ) : null}
    </div>
  );
}

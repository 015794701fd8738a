'use client';
import { useState } from 'react';
import { suggestMaterials } from '@/core/materials/suggestMaterials';
import { materialTexts as say } from '@/core/texts/materials';
import { Field } from '../controls/Field';
import type { OutlineRow } from '../materials/outlineView';
import { useOutlines } from '../materials/useOutlines';
import styles from './MaterialPicker.module.css';

const MOST = 8;

/** Search across the materials of some courses, units and single items; what is chosen becomes a link. */
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
  const [open, setOpen] = useState(false);
  const rows = useOutlines(courses, { wanted: open });
  const suggestible = (rows ?? [])
    .filter((row) => !taken.includes(row.id))
    .map((row) => ({
      ...row,
      used: (row.staff?.uses.length ?? 0) > 0,
      recency: row.staff?.recency ?? 0,
    }));
  const found = suggestMaterials(suggestible, words, MOST);
  return (
    <div className={styles.picker} onFocus={() => setOpen(true)}>
      <Field label={say.fromMaterials} value={words} onChange={setWords} type="search" />
      {words.trim() !== '' && rows && found.length === 0 ? <p className="soft">{say.nothingFound}</p> : null}
      {open && found.length > 0 ? (
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
                {row.title}{' '}
                <span className="soft">{[row.kindLabel, row.unit].filter(Boolean).join(' · ')}</span>
              </button>
            </li>
          ))}
        </ul>
      ) : null}
    </div>
  );
}

'use client';
import type { ClassNumber } from '@/core/time/classNumber';
import { readClassNumber } from '@/core/time/classNumber';
import { DATE_FIELDS } from '@/core/entries/classDates';
import type { DateField } from '@/core/entries/entry';
import { panelTexts } from '@/core/texts/term';
import { Field } from '../controls/Field';
import { Select } from '../controls/Select';
import styles from './EntryForm.module.css';
import type { FormFields } from './fieldsOf';

const EDGES = (['start', 'end'] as const).map((value) => ({ value, label: panelTexts.edge[value] }));

/** Dates that follow a class by its number: where the class goes, they go. */
export function ClassDateFields({
  fields: { draft, set, errors },
  classWords,
}: {
  fields: FormFields;
  /** When a class begins or ends in the chosen courses, in words; undefined where there is none. */
  classWords: (number: ClassNumber, edge: 'start' | 'end') => string | undefined;
}) {
  const { atClass } = draft;
  const change = (field: DateField, changes: Partial<(typeof atClass)[DateField]>) =>
    set({ atClass: { ...atClass, [field]: { ...atClass[field], ...changes } } });
  return (
    <details open={DATE_FIELDS.some((field) => atClass[field].number !== '')}>
      <summary>{panelTexts.followClass}</summary>
      <div className={styles.inner}>
        {DATE_FIELDS.map((field) => {
          const { number: typed, edge } = atClass[field];
          const number = readClassNumber(typed);
          const words = number && classWords(number, edge);
          return (
            <div key={field} className={styles.row}>
              <Field
                label={panelTexts.followField[field]}
                value={typed}
                onChange={(next) => change(field, { number: next })}
                error={errors[`atClass.${field}`]}
              />
              {field === 'setOn' ? null : (
                <Select
                  label={panelTexts.edgeOf[field]}
                  value={edge}
                  options={EDGES}
                  onChange={(next) => change(field, { edge: next })}
                />
              )}
              {typed.trim() === '' ? null : (
                <p className={`soft ${styles.whole}`}>{words ?? panelTexts.noSuchClass}</p>
              )}
            </div>
          );
        })}
      </div>
    </details>
  );
}

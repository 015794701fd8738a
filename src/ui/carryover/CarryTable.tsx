'use client';
import { useState } from 'react';
import { carryTexts as say } from '@/core/texts/carryOver';
import { DayField } from '../days/DayField';
import { Tick } from '../controls/Ticks';
import styles from './CarryOver.module.css';
import type { CarryPreviewView, CarryRow } from './carryView';

type Choice = Readonly<{ leave?: boolean; to?: string; keepWords?: boolean }>;

/** The old day and the new one of everything, with what to look at. */
export function CarryTable({
  preview,
  choices,
  onChoose,
}: {
  preview: CarryPreviewView;
  choices: Readonly<Record<string, Choice | undefined>>;
  onChoose: (id: string, choice: Choice) => void;
}) {
  const [onlyProblems, setOnlyProblems] = useState(false);
  const rows = preview.rows.filter((row) => !onlyProblems || row.needsLook || row.corrections.length > 0);
  return (
    <>
      <div className={styles.counts}>
        <p role="status">{preview.counts}</p>
        <Tick label={say.onlyProblems} checked={onlyProblems} onChange={setOnlyProblems} />
      </div>
      <div className={styles.scroll}>
        <table className={styles.table}>
          <thead>
            <tr>
              <th scope="col">{say.what}</th>
              <th scope="col">{say.old}</th>
              <th scope="col">{say.new}</th>
              <th scope="col">{say.look}</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <Row
                key={row.id}
                row={row}
                choice={choices[row.id] ?? {}}
                onChoose={(c) => onChoose(row.id, c)}
              />
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

function Row({
  row,
  choice,
  onChoose,
}: {
  row: CarryRow;
  choice: Choice;
  onChoose: (choice: Choice) => void;
}) {
  return (
    <tr data-left={row.left} data-look={row.needsLook}>
      <th scope="row">
        <label className={styles.what}>
          <input
            type="checkbox"
            aria-label={say.take({ title: row.title })}
            checked={!row.left}
            disabled={row.stays}
            onChange={(event) => onChoose({ leave: !event.target.checked })}
          />
          <span>
            <span className="soft">{row.kind}</span> {row.title}
          </span>
        </label>
      </th>
      <td className="numbers">{row.from}</td>
      <td className="numbers">
        {row.fixed || row.stays ? (
          row.toWords
        ) : (
          <DayField
            inline
            daysOnly
            width={184}
            label={say.day({ title: row.title })}
            value={choice.to ?? row.to}
            onChange={(to) => onChoose({ to: to || undefined, leave: undefined })}
          />
        )}
      </td>
      <td>
        {row.remarks.map((remark) => (
          <p key={remark}>{remark}</p>
        ))}
        {row.corrections.length > 0 ? (
          <p className={styles.words}>
            {row.corrections.join(', ')}{' '}
            <label>
              <input
                type="checkbox"
                aria-label={say.keepWords({ title: row.title })}
                checked={choice.keepWords ?? false}
                onChange={(event) => onChoose({ keepWords: event.target.checked })}
              />{' '}
              {say.keep}
            </label>
          </p>
        ) : null}
      </td>
    </tr>
  );
}

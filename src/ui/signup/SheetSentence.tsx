'use client';
import type { ReactNode } from 'react';
import { signupTexts } from '@/core/texts/signup';
import { DayField } from '../days/DayField';
import { Blank } from './Blank';
import styles from './NewSheet.module.css';
import type { SheetDraft, SheetErrors } from './sheetDraft';

const { sentence, fields, repeats, meets } = signupTexts;

type Props = Readonly<{
  draft: SheetDraft;
  errors: SheetErrors;
  set: (changes: Partial<SheetDraft>) => void;
  /** For whom, in words. */
  audience: string;
  children?: ReactNode;
}>;

/** What is offered, as a sentence whose underlined parts are the controls. */
export function SheetSentence({ draft, errors, set, audience, children }: Props) {
  const text = (field: keyof SheetDraft & string, label: string) => ({
    label,
    value: draft[field] as string,
    onChange: (value: string) => set({ [field]: value } as Partial<SheetDraft>),
    error: errors[field],
  });
  return (
    <div className={`card ${styles.sentence}`}>
      {sentence.offer} <Blank wide {...text('title', fields.title)} /> {sentence.for} <b>{audience}</b>{' '}
      {draft.whole ? null : (
        <>
          {sentence.inTimesOf} <Blank number {...text('length', fields.length)} /> {signupTexts.minutes}{' '}
          {sentence.gapOf} <Blank number {...text('gap', fields.gap)} /> {signupTexts.minutes}
        </>
      )}
      {sentence.forEach} <Blank number {...text('seats', fields.seats)} /> {signupTexts.people(draft.seats)}{' '}
      {sentence.each}{' '}
      <select
        className={styles.blank}
        aria-label={fields.repeat}
        value={draft.repeat}
        onChange={(event) => set({ repeat: event.target.value as SheetDraft['repeat'] })}
      >
        <option value="once">{repeats.once}</option>
        <option value="weekly">{repeats.weekly}</option>
      </select>
      {draft.repeat === 'weekly' ? (
        <>
          {' '}
          <DayField inline width={165} {...text('until', fields.until)} />
        </>
      ) : null}
      {sentence.meet}{' '}
      <select
        className={styles.blank}
        aria-label={fields.meet}
        value={draft.meet}
        onChange={(event) => set({ meet: event.target.value as SheetDraft['meet'] })}
      >
        {Object.entries(meets).map(([value, label]) => (
          <option key={value} value={value}>
            {label}
          </option>
        ))}
      </select>
      {draft.meet === 'private' ? null : (
        <>
          {': '}
          {draft.meet === 'place' ? (
            <Blank wide {...text('place', fields.place)} />
          ) : (
            <Blank wide {...text('meetingLink', fields.link)} />
          )}
        </>
      )}
      {sentence.mayTake} <Blank number {...text('perSheet', fields.perSheet)} />
      {sentence.until} <Blank wide {...text('take', fields.take)} />
      {sentence.giveBack} <Blank wide {...text('giveBack', fields.giveBack)} />.{children}
    </div>
  );
}

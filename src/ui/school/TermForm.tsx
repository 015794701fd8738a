'use client';
import { useState } from 'react';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { schoolTexts } from '@/core/texts/school';
import { Field } from '../controls/Field';
import { FormBox } from './FormBox';
import styles from './School.module.css';
import { useSubmit } from './useSubmit';

export function TermForm({ tzid }: { tzid: string }) {
  const { submit, errors, message, busy } = useSubmit();
  const empty = { name: '', startsOn: '', endsOn: '', tzid };
  const [value, setValue] = useState(empty);
  const field = (key: keyof typeof value) => ({
    value: value[key],
    onChange: (text: string) => setValue({ ...value, [key]: text }),
    error: errors[key],
  });
  const add = async () => {
    const answer = await submit<{ name: string }>('POST', '/api/terms', value, ({ name }) =>
      frameHistoryTexts.addedTerm(name),
    );
    if (answer.ok) setValue(empty);
  };
  return (
    <FormBox
      summary={schoolTexts.addTerm}
      action={schoolTexts.saveTerm}
      onSubmit={add}
      message={message}
      disabled={busy}
    >
      <Field label={schoolTexts.termName} {...field('name')} />
      <div className={styles.row}>
        <Field label={schoolTexts.startsOn} type="date" {...field('startsOn')} />
        <Field label={schoolTexts.endsOn} type="date" {...field('endsOn')} />
      </div>
      <Field label={schoolTexts.zone} {...field('tzid')} />
    </FormBox>
  );
}

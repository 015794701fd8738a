'use client';
import { useState } from 'react';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { schoolTexts } from '@/core/texts/school';
import { panelTexts } from '@/core/texts/term';
import { timeLabel } from '@/core/time/dateLabels';
import { readTime } from '@/core/time/typedTime';
import { Field } from '../controls/Field';
import { DayField } from '../days/DayField';
import { TimeField } from '../entries/TimeField';
import { FormBox } from './FormBox';
import styles from './School.module.css';
import { Select } from '../controls/Select';
import { useSubmit } from '../controls/useSubmit';

/** A date for everyone: an exam day, a deadline. */
export function SiteDateForm({ terms }: { terms: readonly Readonly<{ id: string; name: string }>[] }) {
  const { submit, errors, message, busy } = useSubmit();
  const empty = { term: terms.at(-1)?.id ?? '', name: '', firstDay: '', lastDay: '', at: '' };
  const [value, setValue] = useState(empty);
  const set = (key: keyof typeof value) => (text: string) => setValue({ ...value, [key]: text });
  const read = value.at.trim() === '' ? undefined : readTime(value.at);
  const add = async () => {
    const answer = await submit<{ name: string }>(
      'POST',
      '/api/site-dates',
      {
        ...value,
        lastDay: value.lastDay || value.firstDay,
        at: read?.kind === 'time' ? timeLabel(read.time) : undefined,
      },
      ({ name }) => frameHistoryTexts.addedDate({ name }),
    );
    if (answer.ok) setValue({ ...empty, term: value.term });
  };
  return (
    <FormBox
      summary={schoolTexts.addSiteDate}
      action={schoolTexts.saveSiteDate}
      onSubmit={add}
      message={message}
      disabled={busy || read?.kind === 'unreadable' || read?.kind === 'ask'}
    >
      {terms.length > 1 ? (
        <Select
          label={schoolTexts.closureTerm}
          value={value.term}
          options={terms.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={set('term')}
        />
      ) : null}
      <Field label={schoolTexts.closureName} value={value.name} onChange={set('name')} error={errors.name} />
      <div className={styles.row}>
        <DayField
          label={schoolTexts.firstDay}
          value={value.firstDay}
          onChange={set('firstDay')}
          error={errors.firstDay}
        />
        <DayField
          label={schoolTexts.lastDay}
          hint={schoolTexts.lastDayHint}
          value={value.lastDay}
          onChange={set('lastDay')}
          error={errors.lastDay}
        />
      </div>
      <TimeField
        label={schoolTexts.siteDateAt}
        hint={schoolTexts.siteDateAtHint}
        value={value.at}
        onChange={set('at')}
        error={read?.kind === 'unreadable' ? panelTexts.errors.time : errors.at}
        readings={read?.kind === 'ask' ? read.readings.map((time) => timeLabel(time)) : undefined}
      />
    </FormBox>
  );
}

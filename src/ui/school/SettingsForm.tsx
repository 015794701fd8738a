'use client';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useState } from 'react';
import type { SchoolSettings } from '@/core/frame/schoolSettings';
import { LOCALES, WEEK_STARTS } from '@/core/frame/schoolSettings';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { schoolTexts, setupTexts } from '@/core/texts/school';
import { Field } from '../controls/Field';
import { FormBox } from './FormBox';
import styles from './School.module.css';
import { Select } from '../controls/Select';
import { numberIn } from '../controls/numberIn';
import { useSubmit } from '../controls/useSubmit';

export const localeOptions = Object.entries(LOCALES).map(([value, label]) => ({ value, label }));
export const weekStartOptions = WEEK_STARTS.map((day) => ({
  value: String(day),
  label: setupTexts.weekStarts[day]!,
}));

/** What holds for the whole school. */
export function SettingsForm({ settings }: { settings: SchoolSettings }) {
  const { submit, errors, message, busy } = useSubmit();
  const [value, setValue] = useState({
    name: settings.name,
    locale: settings.locale,
    weekStart: String(settings.weekStart),
    keepYears: settings.keepYears === undefined ? '' : String(settings.keepYears),
    secondStepForStaff: settings.secondStepForStaff,
  });
  const set = (key: Exclude<keyof typeof value, 'secondStepForStaff'>) => (text: string) =>
    setValue({ ...value, [key]: text });
  const save = () =>
    submit(
      'PUT',
      '/api/settings',
      {
        ...value,
        weekStart: Number(value.weekStart),
        keepYears: numberIn(value.keepYears),
      },
      () => frameHistoryTexts.changedSettings,
    );
  return (
    <FormBox
      summary={schoolTexts.settings}
      action={schoolTexts.saveSettings}
      onSubmit={save}
      message={message}
      disabled={busy}
    >
      <Field label={setupTexts.schoolName} value={value.name} onChange={set('name')} error={errors.name} />
      <div className={styles.row}>
        <Select
          label={setupTexts.locale}
          value={value.locale}
          options={localeOptions}
          onChange={set('locale')}
          error={errors.locale}
        />
        <Select
          label={setupTexts.weekStart}
          value={value.weekStart}
          options={weekStartOptions}
          onChange={set('weekStart')}
          error={errors.weekStart}
        />
      </div>
      <Field
        label={schoolTexts.keepYears}
        hint={schoolTexts.keepYearsHint}
        value={value.keepYears}
        onChange={set('keepYears')}
        error={errors.keepYears}
      />
      <FormControlLabel
        control={
          <Checkbox
            checked={value.secondStepForStaff}
            onChange={(e) => setValue({ ...value, secondStepForStaff: e.target.checked })}
          />
        }
        label={schoolTexts.secondStepForStaff}
      />
      <p className="soft">{schoolTexts.secondStepHint}</p>
    </FormBox>
  );
}

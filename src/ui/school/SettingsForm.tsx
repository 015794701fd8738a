'use client';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useState } from 'react';
import type { SchoolSettings } from '@/core/frame/schoolSettings';
import { STUDENTS } from '@/core/frame/students';
import { LOCALES, WEEK_STARTS } from '@/core/frame/locales';
import { accessTexts } from '@/core/texts/access';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { retentionTexts } from '@/core/texts/retention';
import { schoolTexts, setupTexts } from '@/core/texts/school';
import { usageTexts } from '@/core/texts/usage';
import { Field } from '../controls/Field';
import { FormBox } from './FormBox';
import { RetentionFields } from './RetentionFields';
import { draftOfRetention, sentRetention } from './retentionDraft';
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
export function SettingsForm({
  settings,
  used,
}: Readonly<{
  settings: SchoolSettings;
  /** Megabytes that files take. */
  used?: number;
}>) {
  const { submit, errors, message, busy } = useSubmit();
  const [value, setValue] = useState({
    name: settings.name,
    locale: settings.locale,
    weekStart: String(settings.weekStart),
    heldFor: settings.heldFor,
    notice: settings.notice,
    accessContact: settings.accessContact,
    accessStatement: settings.accessStatement,
    courseMegabytes: String(settings.courseMegabytes),
    schoolMegabytes: String(settings.schoolMegabytes),
    secondStepForStaff: settings.secondStepForStaff,
    students: settings.students,
  });
  const [retention, setRetention] = useState(() => draftOfRetention(settings.retention));
  const set = (key: Exclude<keyof typeof value, 'secondStepForStaff' | 'students'>) => (text: string) =>
    setValue({ ...value, [key]: text });
  const save = () =>
    submit(
      'PUT',
      '/api/settings',
      {
        ...value,
        weekStart: Number(value.weekStart),
        retention: sentRetention(retention),
        courseMegabytes: numberIn(value.courseMegabytes),
        schoolMegabytes: numberIn(value.schoolMegabytes),
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
      <Field
        label={usageTexts.notice}
        hint={usageTexts.noticeHint}
        value={value.notice}
        onChange={set('notice')}
        error={errors.notice}
      />
      <Field
        label={accessTexts.contactField}
        hint={accessTexts.contactHint}
        value={value.accessContact}
        onChange={set('accessContact')}
        error={errors.accessContact}
      />
      <Field
        label={accessTexts.statementField}
        hint={accessTexts.statementHint}
        rows={3}
        value={value.accessStatement}
        onChange={set('accessStatement')}
        error={errors.accessStatement}
      />
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
      <RetentionFields value={retention} errors={errors} onChange={setRetention} />
      <Field
        label={retentionTexts.hold}
        hint={retentionTexts.holdHint}
        value={value.heldFor}
        onChange={set('heldFor')}
        error={errors.heldFor}
      />
      <div className={styles.row}>
        <Field
          label={retentionTexts.courseRoom}
          type="number"
          value={value.courseMegabytes}
          onChange={set('courseMegabytes')}
          error={errors.courseMegabytes}
        />
        <Field
          label={retentionTexts.schoolRoom}
          type="number"
          value={value.schoolMegabytes}
          onChange={set('schoolMegabytes')}
          error={errors.schoolMegabytes}
        />
      </div>
      {used === undefined ? null : (
        <p className="soft">{retentionTexts.used({ megabytes: used, of: settings.schoolMegabytes })}</p>
      )}
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
      <Select
        label={schoolTexts.students}
        value={value.students}
        options={STUDENTS.map((who) => ({ value: who, label: schoolTexts.studentsAre[who] }))}
        onChange={(students) => setValue({ ...value, students })}
      />
      <p className="soft">{schoolTexts.studentsHint}</p>
    </FormBox>
  );
}

'use client';
import { useState } from 'react';
import { schoolTexts, setupTexts } from '@/core/texts/school';
import { callApi } from '../controls/callApi';
import { Field } from '../controls/Field';
import { DayField } from '../days/DayField';
import { FormBox } from './FormBox';
import styles from './School.module.css';
import { zonesFrom } from '@/core/time/zoneWords';
import { Select } from '../controls/Select';
import { SUGGESTED_RETENTION } from '@/core/frame/retention';
import { RetentionFields } from './RetentionFields';
import { draftOfRetention, sentRetention } from './retentionDraft';
import { localeOptions, weekStartOptions } from './SettingsForm';
import { useSubmit } from '../controls/useSubmit';

/** The first run: an account, a school, a term; then straight in. */
export function SetupForm({ zones, asksCode }: Readonly<{ zones: readonly string[]; asksCode: boolean }>) {
  const { submit, errors, message, busy } = useSubmit();
  const [value, setValue] = useState({
    name: '',
    email: '',
    password: '',
    school: '',
    term: '',
    startsOn: '',
    endsOn: '',
    tzid: '',
    locale: 'en-GB',
    weekStart: '1',
    code: '',
  });
  const [retention, setRetention] = useState(() => draftOfRetention(SUGGESTED_RETENTION));
  // The zone of this device is the likeliest one; the server checks the name.
  const device = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const tzid = value.tzid || (zones.includes(device) ? device : '');
  const field = (key: keyof typeof value, error = errors[key]) => ({
    value: key === 'tzid' ? tzid : value[key],
    onChange: (text: string) => setValue({ ...value, [key]: text }),
    error,
  });
  const setUp = async () => {
    const { name, email, password, school, term, startsOn, endsOn, locale, weekStart, code } = value;
    const answer = await submit('POST', '/api/setup', {
      name,
      email,
      password,
      school,
      locale,
      weekStart: Number(weekStart),
      code,
      retention: sentRetention(retention),
      term: { name: term, startsOn, endsOn, tzid },
    });
    if (!answer.ok) return;
    await callApi('POST', '/api/session', { email, password });
    window.location.replace('/');
  };
  return (
    <FormBox action={setupTexts.submit} onSubmit={setUp} message={message} disabled={busy}>
      {asksCode ? (
        <Field label={setupTexts.code} hint={setupTexts.codeHint} autoComplete="off" {...field('code')} />
      ) : null}
      <h2>{setupTexts.account}</h2>
      <Field label={setupTexts.name} autoComplete="name" {...field('name')} />
      <Field label={setupTexts.email} type="email" autoComplete="username" {...field('email')} />
      <Field
        label={setupTexts.password}
        type="password"
        autoComplete="new-password"
        hint={setupTexts.passwordHint}
        {...field('password')}
      />
      <h2>{setupTexts.school}</h2>
      <Field label={setupTexts.schoolName} {...field('school')} />
      <div className={styles.row}>
        <Select
          label={setupTexts.locale}
          value={value.locale}
          options={localeOptions}
          onChange={(locale) => setValue({ ...value, locale })}
          error={errors.locale}
        />
        <Select
          label={setupTexts.weekStart}
          value={value.weekStart}
          options={weekStartOptions}
          onChange={(weekStart) => setValue({ ...value, weekStart })}
          error={errors.weekStart}
        />
      </div>
      <h2>{setupTexts.firstTerm}</h2>
      <Field label={schoolTexts.termName} {...field('term', errors['term.name'])} />
      <div className={styles.row}>
        <DayField label={schoolTexts.startsOn} {...field('startsOn', errors['term.startsOn'])} />
        <DayField label={schoolTexts.endsOn} {...field('endsOn', errors['term.endsOn'])} />
      </div>
      <Select
        label={schoolTexts.zone}
        value={tzid}
        options={[
          { value: '', label: setupTexts.chooseZone },
          ...zonesFrom(zones, device).map((zone) => ({ value: zone, label: zone })),
        ]}
        onChange={(zone) => setValue({ ...value, tzid: zone })}
        error={errors['term.tzid']}
        fromDevice
      />
      <RetentionFields value={retention} errors={errors} onChange={setRetention} />
    </FormBox>
  );
}

'use client';
import { useState } from 'react';
import { passwordTexts as say } from '@/core/texts/passwords';
import { Field } from '../controls/Field';
import { useSubmit } from '../controls/useSubmit';
import { FormBox } from '../school/FormBox';

const NOTHING = { current: '', password: '' };

/** Another password, for whoever knows the present one. */
export function PasswordForm() {
  const { submit, errors, message, busy } = useSubmit();
  const [value, setValue] = useState(NOTHING);
  const change = async () => {
    const answer = await submit('PUT', '/api/account/password', value, () => say.changed);
    if (answer.ok) setValue(NOTHING);
  };
  return (
    <FormBox summary={say.change} action={say.change} onSubmit={change} message={message} disabled={busy}>
      <Field
        label={say.current}
        type="password"
        autoComplete="current-password"
        value={value.current}
        onChange={(current) => setValue({ ...value, current })}
        error={errors.current}
      />
      <Field
        label={say.chosen}
        hint={say.hint}
        type="password"
        autoComplete="new-password"
        value={value.password}
        onChange={(password) => setValue({ ...value, password })}
        error={errors.password}
      />
    </FormBox>
  );
}

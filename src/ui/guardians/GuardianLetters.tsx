'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { guardianTexts as say } from '@/core/texts/guardians';
import { zoneWords } from '@/core/time/zoneWords';
import { Field } from '../controls/Field';
import { Select } from '../controls/Select';
import { FormBox } from '../school/FormBox';
import { localeOptions } from '../school/SettingsForm';
import { useSubmit } from '../controls/useSubmit';

type Wish = Readonly<{ email: string; confirmed: boolean; locale: string; tzid: string }>;

/** A guardian asks for the week by letter, in their own way of writing dates and by their own clock as well. */
export function GuardianLetters({
  token,
  start,
  zones,
}: Readonly<{
  token: string;
  start: Wish;
  zones: readonly string[];
}>) {
  const { submit, errors, message, busy } = useSubmit();
  const [value, setValue] = useState({ email: start.email, locale: start.locale, tzid: start.tzid });
  const [said, setSaid] = useState(start.email ? (start.confirmed ? say.goesTo({ email: start.email }) : say.waitsForYou({ email: start.email })) : '');
  const wish = async (wanted: typeof value) => {
    const answer = await submit('PUT', `/api/guardian-letters/${token}`, wanted);
    if (!answer.ok) return;
    setValue(wanted);
    setSaid(wanted.email ? say.confirmSent : say.lettersEnded);
  };
  return (
    <>
      <p role="status">{said}</p>
      <FormBox action={say.saveLetters} onSubmit={() => wish(value)} message={message} disabled={busy || value.email.trim() === ''} look>
      <Field
        label={say.email}
        type="email"
        autoComplete="email"
        value={value.email}
        onChange={(email) => setValue({ ...value, email })}
        error={errors.email}
      />
      <Select
        label={say.locale}
        value={value.locale}
        options={[{ value: '', label: say.asSchool }, ...localeOptions]}
        onChange={(locale) => setValue({ ...value, locale })}
      />
      <Select
        label={say.zone}
        value={value.tzid}
        options={[{ value: '', label: say.noZone }, ...zones.map((zone) => ({ value: zone, label: zoneWords(zone) }))]}
        onChange={(tzid) => setValue({ ...value, tzid })}
      />
      </FormBox>
      {start.email || said === say.confirmSent ? (
        <div>
          <Button variant="outlined" disabled={busy} onClick={() => void wish({ ...value, email: '' })}>
            {say.endLetters}
          </Button>
        </div>
      ) : null}
    </>
  );
} // prettier-ignore

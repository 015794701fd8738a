'use client';
import { useState } from 'react';
import { guardianTexts as say } from '@/core/texts/guardians';
import { Field } from '../controls/Field';
import { FormBox } from '../school/FormBox';

/** Puts the address that a guardian has for another child behind this one: both stand on one page. */
export function AnotherChild({ tokens }: Readonly<{ tokens: readonly string[] }>) {
  const [address, setAddress] = useState('');
  const [error, setError] = useState('');
  const join = () => {
    const found = /\/g((?:\/[\w-]{43}){1,6})/.exec(address)?.[1]?.split('/').filter(Boolean) ?? [];
    const all = [...new Set([...tokens, ...found])];
    if (found.length === 0) setError(say.notAnAddress);
    // eslint-disable-next-line @next/next/no-location-assign-relative-destination -- answered beside Next's pages
    else window.location.assign(`/g/${all.join('/')}`);
  };
  return (
    <FormBox action={say.join} onSubmit={join} disabled={address.trim() === ''} look>
      <Field label={say.anotherAddress} value={address} onChange={setAddress} error={error} />
    </FormBox>
  );
}

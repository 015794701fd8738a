'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { passwordTexts as say } from '@/core/texts/passwords';
import { Field } from '../controls/Field';
import { useSubmit } from '../controls/useSubmit';
import styles from './Account.module.css';

type Begun = Readonly<{ key: string; picture: string }>;

/** The second step of signing in: set up with an authenticator, turned off by a code. */
export function SecondStep({ on }: { on: boolean }) {
  const { submit, errors, message, busy } = useSubmit();
  const [begun, setBegun] = useState<Begun>();
  const [code, setCode] = useState('');
  const [recovery, setRecovery] = useState<readonly string[]>();
  const begin = async () => {
    const answer = await submit<Begun>('POST', '/api/account/second-step', undefined);
    if (answer.ok) setBegun(answer.value);
  };
  const confirm = async () => {
    const answer = await submit<{ recovery: readonly string[] }>('PUT', '/api/account/second-step', { code }, () => say.stepOn); // prettier-ignore
    if (!answer.ok) return;
    setRecovery(answer.value.recovery);
    setBegun(undefined);
    setCode('');
  };
  const end = async () => {
    const answer = await submit('DELETE', '/api/account/second-step', { code }, () => say.stepTurnedOff);
    if (!answer.ok) return;
    setRecovery(undefined);
    setCode('');
  };
  return (
    <section className={styles.step} aria-labelledby="second-step">
      <h2 id="second-step">{say.step}</h2>
      <p className="soft">{on ? say.stepIsOn : say.stepLead}</p>
      {recovery ? (
        <div className="notice">
          <p>{say.recovery}</p>
          <ul className={styles.codes}>
            {recovery.map((one) => (
              <li key={one}>{one}</li>
            ))}
          </ul>
        </div>
      ) : null}
      {begun ? (
        <>
          <p>{say.stepScan}</p>
          {/* eslint-disable-next-line @next/next/no-img-element -- a picture that is made here, not fetched */}
          <img
            src={begun.picture}
            alt={say.stepPicture}
            width={220}
            height={220}
            className={styles.picture}
          />
          <p>
            {say.stepKey}: <code className={styles.key}>{begun.key.replace(/(.{4})(?=.)/g, '$1 ')}</code>
          </p>
        </>
      ) : null}
      {on || begun ? (
        <form
          className={styles.step}
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            void (on ? end() : confirm());
          }}
        >
          <Field
            label={say.code}
            hint={on ? say.codeHint : undefined}
            autoComplete="one-time-code"
            value={code}
            onChange={setCode}
            error={errors.code ?? message}
          />
          <div>
            <Button type="submit" variant={on ? 'outlined' : 'contained'} disabled={busy}>
              {on ? say.stepOff : say.stepConfirm}
            </Button>
          </div>
        </form>
      ) : (
        <div>
          <Button variant="outlined" disabled={busy} onClick={() => void begin()}>
            {say.stepBegin}
          </Button>
          {message ? <p role="alert">{message}</p> : null}
        </div>
      )}
    </section>
  );
}

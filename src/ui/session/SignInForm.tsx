'use client';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { Link } from '@/ui/controls/Link';
import { useState } from 'react';
import { signInTexts } from '@/core/texts/account';
import { passwordTexts } from '@/core/texts/passwords';
import { callApi } from '../controls/callApi';
import { keepFor } from '../controls/useKept';
import { Field } from '../controls/Field';
import { eraseKept } from '../offline/keptPlan';
import styles from './SignIn.module.css';

export type DemoChoice = Readonly<{ email: string; name: string; role: string }>;
type Props = Readonly<{
  to: string;
  /** Whether the school has a sign-in of its own, and what it has refused. */
  school: boolean;
  refused?: string;
  demo?: { people: readonly DemoChoice[]; password: string };
}>;

export function SignInForm({ to, school, refused, demo }: Props) {
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const [error, setError] = useState(refused);
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({});
  const [busy, setBusy] = useState(false);
  const [shared, setShared] = useState(false);
  /** Undefined until the password fits and a second step asks for a code. */
  const [code, setCode] = useState<string>();

  const signIn = async (credentials: { email: string; password: string; code?: string }) => {
    setBusy(true);
    const answer = await callApi('POST', '/api/session', { ...credentials, shared });
    // A whole new page: nothing of an earlier person's stays in the browser's memory.
    if (answer.ok) {
      keepFor(credentials.email, shared);
      if (shared) await eraseKept();
      return window.location.assign(to);
    }
    setBusy(false);
    if (answer.reason === 'codeNeeded') setCode(code ?? '');
    setErrors(answer.fields);
    setError(Object.keys(answer.fields).length > 0 ? undefined : answer.message);
  };

  return (
    <>
      {demo ? (
        <section className={styles.demo} aria-labelledby="demo">
          <h2 id="demo">{signInTexts.demoTitle}</h2>
          <p>{signInTexts.demoLead}</p>
          <ul>
            {demo.people.map((person) => (
              <li key={person.email}>
                <Button
                  variant="outlined"
                  fullWidth
                  disabled={busy}
                  className={styles.choice}
                  aria-label={signInTexts.demoAs({ name: person.name })}
                  onClick={() => signIn({ email: person.email, password: demo.password })}
                >
                  <b>{person.name}</b>
                  <span className="soft">{person.role}</span>
                </Button>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <form
        className={styles.form}
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          void signIn({ email, password, code });
        }}
      >
        <Field
          label={signInTexts.email}
          type="email"
          name="email"
          autoComplete="username"
          value={email}
          onChange={setEmail}
          error={errors.email}
        />
        <Field
          label={signInTexts.password}
          type="password"
          name="password"
          autoComplete="current-password"
          value={password}
          onChange={setPassword}
          error={errors.password}
        />
        {code === undefined ? null : (
          <Field
            label={passwordTexts.code}
            hint={passwordTexts.codeHint}
            autoComplete="one-time-code"
            value={code}
            onChange={setCode}
            error={errors.code}
          />
        )}
        <FormControlLabel
          control={<Checkbox checked={shared} onChange={(event) => setShared(event.target.checked)} />}
          label={signInTexts.shared}
        />
        {shared ? <p className="soft">{signInTexts.sharedHint}</p> : null}
        <p role="alert" className={styles.error}>
          {error}
        </p>
        <Button type="submit" variant="contained" disabled={busy}>
          {signInTexts.submit}
        </Button>
        {school ? (
          <Button variant="outlined" href={`/api/school-sign-in?to=${encodeURIComponent(to)}`}>
            {signInTexts.bySchool}
          </Button>
        ) : null}
        <Link className="lone" href="/forgotten">
          {passwordTexts.forgotten}
        </Link>
      </form>
    </>
  );
}

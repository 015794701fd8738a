'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { ltiTexts } from '@/core/texts/lti';
import { callApi } from '../controls/callApi';
import { Field } from '../controls/Field';
import styles from './Lti.module.css';

const say = ltiTexts.join;

type Props = Readonly<{
  /** Which of the launches of this browser it is. */
  arrival: string;
  /** Who has just signed in on this browser, where somebody has. */
  signedInAs?: string;
  /** The way to the school's sign-in, which needs a tab of its own where this stands in a frame. */
  school?: Readonly<{ href: string; tab: boolean }> | '';
  /** The course that takes people without an account; undefined where it takes nobody, with the reason. */
  course?: string;
  closed?: string;
}>;

/** Whoever came from a site for the first time says who they are: by their own sign-in, or as somebody new. */
export function JoinForm({ arrival, signedInAs, school, course, closed }: Props) {
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  /** Undefined until the password fits and a second step asks for a code. */
  const [code, setCode] = useState<string>();
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({});
  const [message, setMessage] = useState<string>();
  const [busy, setBusy] = useState(false);

  const send = async (path: string, by: object = {}) => {
    setBusy(true);
    const answer = await callApi<{ to: string }>('POST', path, { arrival, ...by });
    // A whole new page: it is somebody's own from here on.
    if (answer.ok) return window.location.assign(answer.value.to);
    setBusy(false);
    if (answer.reason === 'codeNeeded') setCode(code ?? '');
    setErrors(answer.fields);
    setMessage(Object.keys(answer.fields).length > 0 ? undefined : answer.message);
  };

  return (
    <>
      <p role="alert" className={styles.error}>
        {message}
      </p>
      <div className={styles.ways}>
        <section className={`card ${styles.way}`} aria-labelledby="known">
          <h2 id="known">{say.known}</h2>
          <p className="soft">{say.knownLead}</p>
          {signedInAs ? (
            <Button variant="contained" disabled={busy} onClick={() => void send('/api/lti/join')}>
              {say.asSignedIn({ name: signedInAs })}
            </Button>
          ) : (
            <form
              className={styles.form}
              noValidate
              onSubmit={(event) => {
                event.preventDefault();
                void send('/api/lti/join', { email, password, code });
              }}
            >
              <Field label={say.email} type="email" name="email" autoComplete="username" value={email} onChange={setEmail} error={errors.email} />
              <Field label={say.password} type="password" name="password" autoComplete="current-password" value={password} onChange={setPassword} error={errors.password} />
              {code === undefined ? null : (
                <Field label={say.code} autoComplete="one-time-code" value={code} onChange={setCode} error={errors.code} />
              )}
              <div className={styles.buttons}>
                <Button type="submit" variant="contained" disabled={busy}>
                  {say.signIn}
                </Button>
                {school ? (
                  <Button href={school.href} {...(school.tab ? { target: '_blank', rel: 'noopener' } : {})}>
                    {school.tab ? say.schoolInTab : say.school}
                  </Button>
                ) : null}
              </div>
            </form>
          )}
        </section>
        {closed ? <p className="soft">{closed}</p> : null}
        {course ? (
          <section className={`card ${styles.way}`} aria-labelledby="fresh">
            <h2 id="fresh">{say.fresh}</h2>
            <p className="soft">{say.freshLead({ course })}</p>
            <Button variant="outlined" disabled={busy} onClick={() => void send('/api/lti/enter')}>
              {say.goOn}
            </Button>
          </section>
        ) : null}
      </div>
    </>
  );
} // prettier-ignore

'use client';
import Button from '@mui/material/Button';
import { useCallback, useEffect, useState } from 'react';
import type { GuardianShows, GuardianState } from '@/core/guardians/guardian';
import { GUARDIAN_SHOWS } from '@/core/guardians/guardian';
import { publishTexts } from '@/core/texts/publish';
import { guardianTexts as say } from '@/core/texts/guardians';
import { callApi } from '../controls/callApi';
import { CopyField } from '../controls/CopyField';
import { Field } from '../controls/Field';
import { useAct, useSubmit } from '../controls/useSubmit';
import { FormBox } from '../school/FormBox';
import styles from './Guardians.module.css';

type Line = Readonly<{
  id: string;
  name: string;
  state: GuardianState;
  byOffice: boolean;
  shows: readonly GuardianShows[];
  page?: string;
  reads: readonly Readonly<{ words: string }>[];
  barred?: string;
}>;
export type Managed = Readonly<{ adult: boolean; minor?: boolean; takes: boolean; items: readonly Line[] }>;

/** So many of the times at which an address was read stand there. */
const LAST_READS = 5;

/** Addresses for guardians: one's own, or, for the office, those of a student. */
export function GuardianSection({ child, start }: Readonly<{ child?: Readonly<{ id: string; name: string }>; start?: Managed }>) {
  const [managed, setManaged] = useState(start);
  const path = child ? `/api/guardians?child=${child.id}` : '/api/guardians';
  const load = useCallback(async () => {
    const answer = await callApi<Managed>('GET', path);
    if (answer.ok) setManaged(answer.value);
  }, [path]);
  useEffect(() => {
    if (!start) void Promise.resolve().then(load);
  }, [start, load]);
  if (!managed || (!managed.takes && managed.items.length === 0)) return null;
  const office = child !== undefined;
  return (
    <section className={office ? styles.part : `card ${styles.part}`} aria-label={say.title}>
      {office ? <h3>{say.title}</h3> : <h2>{say.title}</h2>}
      <p className="soft">{office ? say.leadOffice : say.lead}</p>
      {child && managed.minor !== undefined ? <Minor child={child} minor={managed.minor} onDone={load} /> : null}
      {managed.items.map((line) => (
        <One key={`${line.id} ${line.page}`} line={line} office={office} onDone={load} />
      ))}
      {office && managed.adult ? <p className="soft">{say.adultsOwn}</p> : <IssueForm child={child?.id} onDone={load} />}
    </section>
  );
} // prettier-ignore

function Minor({ child, minor, onDone }: Readonly<{ child: { id: string; name: string }; minor: boolean; onDone: () => Promise<void> }>) {
  const { act, busy } = useAct();
  const toggle = async () => {
    await act('PUT', `/api/people/${child.id}/minor`, { minor: !minor }, () => say.minorSaved({ name: child.name }));
    await onDone();
  };
  return (
    <>
      <label>
        <input type="checkbox" checked={minor} disabled={busy} onChange={() => void toggle()} /> {say.minor}
      </label>
      <p className="soft">{say.minorHint}</p>
    </>
  );
} // prettier-ignore

function One({ line, office, onDone }: Readonly<{ line: Line; office: boolean; onDone: () => Promise<void> }>) {
  const { act, busy } = useAct();
  const [bar, setBar] = useState('');
  const { id, name } = line;
  const run = async (method: 'POST' | 'DELETE', path: string, body: object | undefined, said: string) => {
    await act(method, `/api/guardians/${id}${path}`, body, () => said);
    await onDone();
  };
  if (line.barred !== undefined) return <p className="soft">{say.isBarred({ name, reason: line.barred })}</p>;
  const end = () => run('DELETE', '', bar.trim() ? { bar: bar.trim() } : {}, say.ended({ name }));
  return (
    <div className={styles.one} role="group" aria-label={name}>
      <p>
        <b>{name}</b>{' '}
        <span className="soft">{[line.byOffice ? say.byOffice : '', ...line.shows.map((show) => (office ? say.showOfChild : say.show)[show])].filter(Boolean).join(' · ')}</span>
      </p>
      {line.state === 'suspended' ? <p className="notice">{say.suspended}</p> : null}
      {line.page ? <CopyField label={say.address({ name })} value={line.page} action={publishTexts.copyAddress} /> : null}
      {line.reads.length > 0 || !office ? <p className="soft">{say.read({ times: line.reads.slice(0, LAST_READS).map(({ words }) => words) })}</p> : null}
      {office ? <Field label={say.barReason} hint={say.barHint} value={bar} onChange={setBar} /> : null}
      <div className={styles.acts}>
        {line.state === 'suspended' && !office ? (
          <Button size="small" variant="contained" disabled={busy} aria-label={say.agreeOf({ name })} onClick={() => void run('POST', '/agreement', undefined, say.agreed({ name }))}>
            {say.agree}
          </Button>
        ) : null}
        {line.page ? (
          <Button size="small" variant="outlined" disabled={busy} aria-label={say.replaceOf({ name })} onClick={() => void run('POST', '/address', undefined, say.replaced({ name }))}>
            {say.replace}
          </Button>
        ) : null}
        <Button size="small" variant="outlined" disabled={busy} aria-label={say.endOf({ name })} onClick={() => void end()}>
          {say.end}
        </Button>
      </div>
    </div>
  );
} // prettier-ignore

function IssueForm({ child, onDone }: Readonly<{ child?: string; onDone: () => Promise<void> }>) {
  const { submit, errors, message, busy } = useSubmit();
  const [name, setName] = useState('');
  const [shows, setShows] = useState<ReadonlySet<GuardianShows>>(new Set());
  const issue = async () => {
    const body = { ...(child ? { child } : {}), name, shows: [...shows] };
    const answer = await submit<{ name: string }>('POST', '/api/guardians', body, (made) => say.issued({ name: made.name }));
    if (!answer.ok) return;
    setName('');
    setShows(new Set());
    await onDone();
  };
  const toggle = (show: GuardianShows) => {
    const next = new Set(shows);
    if (!next.delete(show)) next.add(show);
    setShows(next);
  };
  return (
    <FormBox action={say.issue} onSubmit={issue} message={message} disabled={busy} look>
      <Field label={say.name} hint={say.nameHint} value={name} onChange={setName} error={errors.name} />
      <fieldset className={styles.shows}>
        <legend>{say.shows}</legend>
        {GUARDIAN_SHOWS.map((show) => (
          <label key={show}>
            <input type="checkbox" checked={shows.has(show)} onChange={() => toggle(show)} /> {(child ? say.showOfChild : say.show)[show]}
          </label>
        ))}
      </fieldset>
    </FormBox>
  );
} // prettier-ignore

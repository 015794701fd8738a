'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { officeTexts as say } from '@/core/texts/office';
import { schoolTexts } from '@/core/texts/school';
import { Field } from '../controls/Field';
import { useSubmit } from '../controls/useSubmit';
import { GuardianSection } from '../guardians/GuardianSection';
import { FormBox } from './FormBox';
import styles from './School.module.css';

export type OfficePerson = Readonly<{
  id: string;
  name: string;
  email: string;
  isAdmin: boolean;
  deactivated: boolean;
  secondStep: boolean;
}>;

/** What the office can do to somebody's account: name and address, rights, coming in. */
export function PersonOffice({ person, onDone }: Readonly<{ person: OfficePerson; onDone?: () => void }>) {
  const { submit, errors, message, busy } = useSubmit();
  const [value, setValue] = useState({ name: person.name, email: person.email });
  const [successor, setSuccessor] = useState('');
  const path = `/api/people/${person.id}`;
  const after = async (answer: Promise<Readonly<{ ok: boolean }>>) => {
    if ((await answer).ok) onDone?.();
  };
  const administrator = !person.isAdmin;
  const active = person.deactivated;
  return (
    <div className={styles.office} role="group" aria-label={say.changeOf({ name: person.name })}>
      <FormBox
        action={say.save}
        onSubmit={() => after(submit('PUT', path, value, () => say.corrected({ name: value.name })))}
        disabled={busy}
        message={message}
        look
      >
        <div className={styles.row}>
          <Field
            label={say.name}
            value={value.name}
            error={errors.name}
            onChange={(name) => setValue({ ...value, name })}
          />
          <Field
            label={say.email}
            type="email"
            value={value.email}
            error={errors.email}
            onChange={(email) => setValue({ ...value, email })}
          />
        </div>
      </FormBox>
      <div className={styles.buttons}>
        <Button
          size="small"
          variant="outlined"
          disabled={busy || person.deactivated}
          onClick={() =>
            after(
              submit('PUT', `${path}/administrator`, { administrator }, () =>
                administrator ? say.made({ name: person.name }) : say.unmade({ name: person.name }),
              ),
            )
          }
        >
          {administrator ? say.makeAdministrator : say.unmakeAdministrator}
        </Button>
        {person.secondStep ? (
          <Button
            size="small"
            variant="outlined"
            disabled={busy}
            title={say.resetSecondStepLead}
            onClick={() =>
              after(
                submit('DELETE', `${path}/second-step`, undefined, () =>
                  say.secondStepReset({ name: person.name }),
                ),
              )
            }
          >
            {say.resetSecondStep}
          </Button>
        ) : null}
      </div>
      <GuardianSection child={{ id: person.id, name: person.name }} />
      {active ? null : <p className="soft">{say.deactivateLead}</p>}
      {active ? null : (
        <Field
          label={say.successor}
          hint={say.successorHint}
          type="email"
          value={successor}
          onChange={setSuccessor}
          error={errors.successor}
        />
      )}
      <div className={styles.buttons}>
        <Button
          size="small"
          variant="outlined"
          disabled={busy}
          onClick={() =>
            after(
              submit('PUT', `${path}/active`, { active, successor: active ? '' : successor }, () =>
                active ? say.activated({ name: person.name }) : say.deactivated({ name: person.name }),
              ),
            )
          }
        >
          {active ? say.activate : say.deactivate}
        </Button>
        <Button size="small" href={path} aria-label={schoolTexts.exportDataOf({ name: person.name })}>
          {schoolTexts.exportData}
        </Button>
      </div>
      {errors.person ? (
        <p role="alert" className={styles.error}>
          {errors.person}
        </p>
      ) : null}
    </div>
  );
}

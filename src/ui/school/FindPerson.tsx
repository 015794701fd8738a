'use client';
import dynamic from 'next/dynamic';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { shownAddress } from '@/core/mail/nobodysAddress';
import { schoolTexts } from '@/core/texts/school';
import { callApi } from '../controls/callApi';
import { officeTexts } from '@/core/texts/office';
import { Field } from '../controls/Field';
import { FormBox } from './FormBox';
import type { OfficePerson } from './PersonOffice';
import styles from './School.module.css';
import { useSubmit } from '../controls/useSubmit';

const PersonOffice = dynamic(async () => (await import('./PersonOffice')).PersonOffice);

type Found = OfficePerson;
/** More than these nobody reads through: one goes on typing. */
const MOST = 20;

/** Anybody at the school: a new sign-in link, the export of what is held, erasing it. */
export function FindPerson() {
  const { submit, errors, message, busy } = useSubmit();
  const [words, setWords] = useState('');
  const [found, setFound] = useState<readonly Found[]>([]);
  const [erasing, setErasing] = useState<Found>();
  const [typed, setTyped] = useState('');
  const [successor, setSuccessor] = useState('');
  const [open, setOpen] = useState<string>();
  const look = async (text: string) => {
    setWords(text);
    if (text.trim() === '') return setFound([]);
    const answer = await callApi<{ items: Found[] }>('GET', `/api/people?limit=${MOST}&q=${encodeURIComponent(text)}`); // prettier-ignore
    if (answer.ok) setFound(answer.value.items);
  };
  const erase = async (person: Found) => {
    const answer = await submit<{ name: string }>(
      'DELETE',
      `/api/people/${person.id}`,
      { email: typed, successor },
      ({ name }) => schoolTexts.erased({ name }),
    );
    if (!answer.ok) return;
    setErasing(undefined);
    setTyped('');
    setFound(found.filter((other) => other.id !== person.id));
  };
  return (
    <div className={styles.section}>
      <Field
        label={schoolTexts.findPerson}
        hint={schoolTexts.findPersonHint}
        value={words}
        onChange={(text) => void look(text)}
      />
      <ul className={styles.list} aria-live="polite">
        {found.map((person) => (
          <li key={person.id} className={styles.staffLine}>
            <span>
              <b>{person.name}</b>{' '}
              <span className="soft">
                {shownAddress(person.email)}
                {person.deactivated ? ` · ${officeTexts.isDeactivated}` : ''}
              </span>
            </span>
            <Button
              size="small"
              aria-label={officeTexts.changeOf({ name: person.name })}
              aria-expanded={open === person.id}
              onClick={() => setOpen(open === person.id ? undefined : person.id)}
            >
              {officeTexts.change}
            </Button>
            <Button
              size="small"
              disabled={busy}
              aria-label={schoolTexts.inviteAgain({ name: person.name })}
              onClick={() =>
                submit('POST', `/api/people/${person.id}/invitation`, undefined, () =>
                  schoolTexts.invited({ name: person.name }),
                )
              }
            >
              {schoolTexts.invite}
            </Button>
            <Button
              size="small"
              aria-label={schoolTexts.eraseOf({ name: person.name })}
              onClick={() => setErasing(erasing?.id === person.id ? undefined : person)}
            >
              {schoolTexts.erase}
            </Button>
            {open === person.id ? (
              <PersonOffice
                key={`${person.name} ${person.email} ${person.isAdmin} ${person.deactivated}`}
                person={person}
                onDone={() => void look(words)}
              />
            ) : null}
          </li>
        ))}
      </ul>
      {erasing ? (
        <FormBox
          action={schoolTexts.eraseNow}
          onSubmit={() => erase(erasing)}
          message={message}
          disabled={busy || typed.trim() === ''}
        >
          <p className="notice">{schoolTexts.eraseWarning({ name: erasing.name })}</p>
          <Field
            label={schoolTexts.eraseConfirm}
            type="email"
            value={typed}
            onChange={setTyped}
            error={errors.email}
          />
          <Field
            label={officeTexts.successor}
            hint={officeTexts.successorHint}
            type="email"
            value={successor}
            onChange={setSuccessor}
            error={errors.successor}
          />
        </FormBox>
      ) : null}
    </div>
  );
}

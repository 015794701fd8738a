'use client';
import dynamic from 'next/dynamic';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { shownAddress } from '@/core/mail/nobodysAddress';
import { schoolTexts } from '@/core/texts/school';
import { officeTexts } from '@/core/texts/office';
import { Field } from '../controls/Field';
import { FindPerson } from './FindPerson';
import { FormBox } from './FormBox';
import type { OfficePerson } from './PersonOffice';
import styles from './School.module.css';
import { useSubmit } from '../controls/useSubmit';

const PersonOffice = dynamic(async () => (await import('./PersonOffice')).PersonOffice);

export type PersonLine = OfficePerson & Readonly<{ waiting: boolean }>;

/** Those who may teach, and how one more is added: a letter brings the link for the first sign-in. */
export function PeopleSection({ people }: { people: readonly PersonLine[] }) {
  const { submit, errors, message, busy } = useSubmit();
  const [value, setValue] = useState({ name: '', email: '' });
  const [open, setOpen] = useState<string>();
  const field = (key: 'name' | 'email') => ({
    value: value[key],
    onChange: (text: string) => setValue({ ...value, [key]: text }),
    error: errors[key],
  });
  const add = async () => {
    const answer = await submit<{ name: string }>('POST', '/api/people', value, ({ name }) =>
      schoolTexts.invited({ name }),
    );
    if (answer.ok) setValue({ name: '', email: '' });
  };
  return (
    <section className={styles.section} aria-labelledby="people">
      <h2 id="people">{schoolTexts.people}</h2>
      <p className="soft">{schoolTexts.peopleLead}</p>
      <ul className={styles.list}>
        {people.map((person) => (
          <li key={person.id} className={styles.staffLine}>
            <span>
              <b>{person.name}</b>{' '}
              <span className="soft">
                {[
                  shownAddress(person.email),
                  person.isAdmin ? officeTexts.administrator : '',
                  person.deactivated ? officeTexts.isDeactivated : '',
                  person.waiting ? schoolTexts.neverSignedIn : '',
                ]
                  .filter(Boolean)
                  .join(' · ')}
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
                submit<{ name: string }>(
                  'POST',
                  `/api/people/${person.id}/invitation`,
                  undefined,
                  ({ name }) => schoolTexts.invited({ name }),
                )
              }
            >
              {schoolTexts.invite}
            </Button>
            {open === person.id ? (
              <PersonOffice
                key={`${person.name} ${person.email} ${person.isAdmin} ${person.deactivated}`}
                person={person}
              />
            ) : null}
          </li>
        ))}
      </ul>
      <FormBox
        summary={schoolTexts.addPerson}
        action={schoolTexts.savePerson}
        onSubmit={add}
        message={message}
        disabled={busy}
      >
        <Field label={schoolTexts.personName} {...field('name')} />
        <Field label={schoolTexts.personEmail} type="email" {...field('email')} />
      </FormBox>
      <FindPerson />
    </section>
  );
}

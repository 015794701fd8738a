'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { StaffRole } from '@/core/may/role';
import { STAFF_ROLES } from '@/core/may/role';
import { courseTexts } from '@/core/texts/school';
import { staffTexts as say } from '@/core/texts/staff';
import { Field } from '../controls/Field';
import { Select } from '../controls/Select';
import { FormBox } from './FormBox';
import type { RoleDraft } from './roleDraft';
import styles from './School.module.css';
import { StaffRoleFields } from './StaffRoleFields';
import { useSubmit } from '../controls/useSubmit';

export type StaffLine = Readonly<{
  id: string;
  name: string;
  role: StaffRole;
  /** Where and when, for one who helps. */
  detail: string;
}>;
type Named = Readonly<{ id: string; name: string }>;
type Props = Readonly<{
  course: string;
  staff: readonly StaffLine[];
  sections: readonly Named[];
  /** Whether the viewer may change who teaches the course. */
  mayChange: boolean;
  /** The viewer, who may hand over their own. */
  self: string;
}>;

const FRESH: RoleDraft = { role: 'co', sections: [], from: '', until: '' };

/** What a draft sends: sections and days of those who have them. */
const sentRole = ({ role, sections, from, until }: RoleDraft) => ({
  role,
  ...(role === 'assistant' || role === 'substitute' ? { sections } : {}),
  ...(role === 'substitute' ? { from: from || undefined, until: until || undefined } : {}),
});

/** Who teaches and helps in a course; its instructors and the administrator change that. */
export function StaffSection({ course, staff, sections, mayChange, self }: Props) {
  const { submit, errors, message, busy } = useSubmit();
  const [email, setEmail] = useState('');
  const [draft, setDraft] = useState(FRESH);
  const add = async () => {
    const body = { email, ...sentRole(draft) };
    const answer = await submit<{ name: string }>('POST', `/api/courses/${course}/staff`, body, ({ name }) =>
      say.made({ name, role: draft.role }),
    );
    if (!answer.ok) return;
    setEmail('');
    setDraft(FRESH);
  };
  return (
    <section className={`card ${styles.section}`} aria-labelledby="staff">
      <h2 id="staff">{courseTexts.staff}</h2>
      <ul className={styles.list}>
        {staff.map((person) => (
          <StaffMemberLine
            key={person.id}
            course={course}
            person={person}
            others={staff.filter(
              ({ id, role }) => id !== person.id && (role === 'instructor' || role === 'co'),
            )}
            mayChange={mayChange}
            mayHandOver={mayChange || person.id === self}
          />
        ))}
      </ul>
      {mayChange ? (
        <FormBox summary={say.add} action={say.add} onSubmit={add} message={message} disabled={busy}>
          <Field
            label={courseTexts.coInstructorEmail}
            type="email"
            value={email}
            onChange={setEmail}
            error={errors.email}
          />
          <StaffRoleFields draft={draft} sections={sections} errors={errors} onChange={setDraft} />
        </FormBox>
      ) : null}
    </section>
  );
}

type LineProps = Readonly<{
  course: string;
  person: StaffLine;
  /** To whom what they hold can go. */
  others: readonly Named[];
  mayChange: boolean;
  mayHandOver: boolean;
}>;

function StaffMemberLine({ course, person, others, mayChange, mayHandOver }: LineProps) {
  const { submit, errors, message, busy } = useSubmit();
  const [open, setOpen] = useState<'handOver' | 'takeOff'>();
  const [to, setTo] = useState('');
  const chosen = to || (others[0]?.id ?? '');
  const path = `/api/courses/${course}/staff/${person.id}`;
  const toggle = (which: 'handOver' | 'takeOff') => setOpen(open === which ? undefined : which);
  const changeRole = (role: StaffRole) =>
    submit<{ name: string }>(
      'POST',
      `/api/courses/${course}/staff`,
      { person: person.id, role },
      ({ name }) => say.made({ name, role }),
    );
  const act = async () => {
    const toName = others.find(({ id }) => id === chosen)?.name ?? '';
    const answer =
      open === 'handOver'
        ? await submit('POST', `${path}/hand-over`, { to: chosen }, () => say.handedOver({ from: person.name, to: toName }))
        : await submit('DELETE', chosen ? `${path}?successor=${chosen}` : path, undefined, () => say.removed({ name: person.name })); // prettier-ignore
    if (answer.ok) setOpen(undefined);
  };
  const plans = person.role === 'instructor' || person.role === 'co';
  return (
    <li className={styles.staffLine}>
      <span>
        {person.name}{' '}
        <span className="soft">{[say.roles[person.role], person.detail].filter(Boolean).join(', ')}</span>
      </span>
      {mayChange && plans ? (
        <select
          className={styles.small}
          aria-label={say.roleOf({ name: person.name })}
          value={person.role}
          disabled={busy}
          onChange={(event) => void changeRole(event.target.value as StaffRole)}
        >
          {STAFF_ROLES.filter((role) => role !== 'substitute').map((role) => (
            <option key={role} value={role}>
              {say.roles[role]}
            </option>
          ))}
        </select>
      ) : null}
      {mayHandOver && plans && others.length > 0 ? (
        <Button
          size="small"
          disabled={busy}
          aria-label={say.handOverOf({ name: person.name })}
          onClick={() => toggle('handOver')}
        >
          {say.handOver}
        </Button>
      ) : null}
      {mayChange ? (
        <Button
          size="small"
          disabled={busy}
          aria-label={say.takeOffStaff({ name: person.name })}
          onClick={() => toggle('takeOff')}
        >
          {say.takeOff}
        </Button>
      ) : null}
      {open ? (
        <div className={`notice ${styles.pending}`} role="group" aria-label={person.name}>
          <p>
            {open === 'handOver'
              ? say.handOverLead({ name: person.name })
              : say.takeOffLead({ name: person.name })}
          </p>
          {others.length > 0 ? (
            <Select
              label={open === 'handOver' ? say.handOverTo : say.successor}
              value={chosen}
              options={others.map(({ id, name }) => ({ value: id, label: name }))}
              onChange={setTo}
              error={errors.to ?? errors.successor}
            />
          ) : (
            <p>{say.nobodyElse}</p>
          )}
          <div className={styles.buttons}>
            <Button size="small" variant="contained" disabled={busy} onClick={() => void act()}>
              {open === 'handOver' ? say.saveHandOver : say.takeOff}
            </Button>
            <Button size="small" variant="outlined" onClick={() => setOpen(undefined)}>
              {courseTexts.keep}
            </Button>
          </div>
        </div>
      ) : null}
      {message ? (
        <p role="alert" className={styles.error}>
          {message}
        </p>
      ) : null}
    </li>
  );
}

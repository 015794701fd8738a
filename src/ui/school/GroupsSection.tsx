'use client';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useState } from 'react';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { entryTexts } from '@/core/texts/entries';
import { courseTexts } from '@/core/texts/school';
import { Field } from '../controls/Field';
import { FormBox } from './FormBox';
import type { RosterMember } from './RosterMembers';
import styles from './School.module.css';
import { useSubmit } from '../controls/useSubmit';

export type GroupView = Readonly<{ id: string; name: string; people: readonly string[] }>;
type Draft = Readonly<{ id?: string; name: string; people: readonly string[] }>;

/** Groups of students over all sections. */
export function GroupsSection({
  course,
  groups,
  members,
}: {
  course: string;
  groups: readonly GroupView[];
  members: readonly RosterMember[];
}) {
  const { submit, errors, message, busy } = useSubmit();
  const [draft, setDraft] = useState<Draft>();
  const path = `/api/courses/${course}/groups`;
  const save = async ({ id, name, people }: Draft) => {
    const answer = await submit(id ? 'PUT' : 'POST', id ? `${path}/${id}` : path, { name, people }, () =>
      frameHistoryTexts.wroteGroup({ name }),
    );
    if (answer.ok) setDraft(undefined);
  };
  const toggle = (person: string) =>
    draft &&
    setDraft({
      ...draft,
      people: draft.people.includes(person)
        ? draft.people.filter((p) => p !== person)
        : [...draft.people, person],
    });
  return (
    <section className={`card ${styles.section}`} aria-labelledby="groups">
      <h2 id="groups">{courseTexts.groups}</h2>
      {groups.length === 0 ? <p className="soft">{courseTexts.noGroups}</p> : null}
      <ul className={styles.list}>
        {groups.map((group) => (
          <li key={group.id}>
            <span>
              <b>{group.name}</b>{' '}
              <span className="soft">{entryTexts.students({ n: group.people.length })}</span>
            </span>
            <Button
              size="small"
              aria-label={courseTexts.editGroup({ name: group.name })}
              onClick={() => setDraft(group)}
            >
              {courseTexts.change}
            </Button>
            <Button
              size="small"
              disabled={busy}
              aria-label={courseTexts.removeGroup({ name: group.name })}
              onClick={() =>
                submit('DELETE', `${path}/${group.id}`, undefined, () =>
                  frameHistoryTexts.removedGroup({ name: group.name }),
                )
              }
            >
              {courseTexts.leave}
            </Button>
          </li>
        ))}
      </ul>
      {draft ? (
        <FormBox
          action={courseTexts.saveGroup}
          onSubmit={() => save(draft)}
          message={message ?? errors.people}
          disabled={busy}
        >
          <Field
            label={courseTexts.groupName}
            value={draft.name}
            onChange={(name) => setDraft({ ...draft, name })}
            error={errors.name}
          />
          <fieldset className={styles.picks}>
            <legend>{courseTexts.groupMembers}</legend>
            {members.map((member) => (
              <FormControlLabel
                key={member.person}
                control={
                  <Checkbox
                    checked={draft.people.includes(member.person)}
                    onChange={() => toggle(member.person)}
                  />
                }
                label={member.name}
              />
            ))}
          </fieldset>
        </FormBox>
      ) : (
        <div className={styles.buttons}>
          <Button variant="outlined" onClick={() => setDraft({ name: '', people: [] })}>
            {courseTexts.addGroup}
          </Button>
        </div>
      )}
      {message && !draft ? (
        <p role="alert" className={styles.error}>
          {message}
        </p>
      ) : null}
    </section>
  );
}

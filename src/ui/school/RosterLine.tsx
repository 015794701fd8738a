'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { courseTexts, schoolTexts } from '@/core/texts/school';
import styles from './School.module.css';
import { useSubmit } from '../controls/useSubmit';

export type RosterMember = Readonly<{
  person: string;
  name: string;
  email: string;
  section: string | null;
  sectionId: string | null;
  waiting: boolean;
}>;

type Pending = Readonly<{ section?: Readonly<{ id: string; name: string }>; givesBack: readonly string[] }>;

/** One student: into another section, or off the roster; what they would give back is said first. */
export function RosterLine({
  course,
  member,
  sections,
}: {
  course: string;
  member: RosterMember;
  sections: readonly Readonly<{ id: string; name: string }>[];
}) {
  const { submit, message, busy } = useSubmit();
  const [pending, setPending] = useState<Pending>();
  const path = `/api/courses/${course}/roster/${member.person}`;
  const look = async (section?: Readonly<{ id: string; name: string }>) => {
    const answer = await submit<{ givesBack: readonly string[] }>(
      'GET',
      section ? `${path}?section=${section.id}` : path,
      undefined,
    );
    if (answer.ok) setPending({ section, givesBack: answer.value.givesBack });
  };
  const act = async ({ section }: Pending) => {
    const answer = section
      ? await submit('PUT', path, { section: section.id }, () =>
          frameHistoryTexts.movedSection(member.name, section.name),
        )
      : await submit('DELETE', path, undefined, () => frameHistoryTexts.leftCourse(member.name));
    if (answer.ok) setPending(undefined);
  };
  return (
    <li>
      <span>
        {member.name}{' '}
        <span className="soft">
          {sections.length > 1 ? '' : (member.section ?? courseTexts.noSection)}
          {member.waiting ? ` · ${schoolTexts.neverSignedIn}` : ''}
        </span>
      </span>
      {sections.length > 1 ? (
        <select
          className={styles.small}
          aria-label={courseTexts.moveTo(member.name)}
          value={member.sectionId ?? ''}
          disabled={busy}
          onChange={(event) => void look(sections.find((s) => s.id === event.target.value))}
        >
          {member.sectionId ? null : <option value="">{courseTexts.noSection}</option>}
          {sections.map((section) => (
            <option key={section.id} value={section.id}>
              {section.name}
            </option>
          ))}
        </select>
      ) : null}
      <Button
        size="small"
        disabled={busy}
        aria-label={courseTexts.takeOff(member.name)}
        onClick={() => void look()}
      >
        {courseTexts.leave}
      </Button>
      {pending ? (
        <div className={`notice ${styles.pending}`} role="group" aria-label={member.name}>
          {pending.givesBack.length === 0 ? (
            <p>{courseTexts.holdsNothing(member.name)}</p>
          ) : (
            <>
              <p>{courseTexts.givesBack(member.name, pending.givesBack.length)}</p>
              <ul>
                {pending.givesBack.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ul>
            </>
          )}
          <div className={styles.buttons}>
            <Button size="small" variant="contained" disabled={busy} onClick={() => act(pending)}>
              {pending.section ? courseTexts.confirmMove(pending.section.name) : courseTexts.confirmLeave}
            </Button>
            <Button size="small" variant="outlined" onClick={() => setPending(undefined)}>
              {courseTexts.keep}
            </Button>
          </div>
          {message ? <p role="alert">{message}</p> : null}
        </div>
      ) : null}
    </li>
  );
}

'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { byFamilyName } from '@/core/people/familyName';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { memberTexts as say } from '@/core/texts/members';
import { courseTexts, schoolTexts } from '@/core/texts/school';
import { Field } from '../controls/Field';
import { Select } from '../controls/Select';
import { useAct } from '../controls/useSubmit';
import styles from './School.module.css';

export type RosterMember = Readonly<{
  person: string;
  name: string;
  email: string;
  section: string | null;
  sectionId: string | null;
  waiting: boolean;
}>;
type Section = Readonly<{ id: string; name: string }>;
type Order = keyof typeof say.orders;
const ORDERS = Object.keys(say.orders) as Order[];

/** What is about to be done to those chosen; what they would give back is said first. */
type Pending = Readonly<{ section?: Section; givesBack: readonly string[] }>;
type Moving = Readonly<{ students: readonly Readonly<{ name: string; givesBack: readonly string[] }>[] }>;

const inOrder = (members: readonly RosterMember[], order: Order, locale: string): RosterMember[] => {
  const family = byFamilyName(locale);
  return [...members].sort((a, b) => {
    if (order === 'name') return a.name.localeCompare(b.name, locale);
    const sections = order === 'section' ? (a.section ?? '').localeCompare(b.section ?? '', locale) : 0;
    return sections || family(a.name, b.name);
  });
};

/** Who takes the course: found, sorted, chosen one by one or all, and moved, taken off or written to in one act. */
export function RosterMembers({
  course,
  members,
  sections,
  locale,
}: Readonly<{
  course: string;
  members: readonly RosterMember[];
  sections: readonly Section[];
  locale: string;
}>) {
  const { act, busy } = useAct();
  const [words, setWords] = useState('');
  const [order, setOrder] = useState<Order>('family');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [pending, setPending] = useState<Pending>();
  const path = `/api/courses/${course}/roster`;
  const wanted = words.trim().toLowerCase();
  const shown = inOrder(members, order, locale).filter(({ name, email }) =>
    `${name} ${email}`.toLowerCase().includes(wanted),
  );
  // Whoever was taken off since is not chosen any more.
  const picked = members.filter(({ person }) => chosen.has(person));
  const people = picked.map(({ person }) => person);
  const waiting = picked.filter((member) => member.waiting).length;
  const choose = (next: ReadonlySet<string>) => {
    setChosen(next);
    setPending(undefined);
  };
  const pick = (person: string) => {
    const next = new Set(chosen);
    if (!next.delete(person)) next.add(person);
    choose(next);
  };
  const look = async (section?: Section) => {
    const answer = await act<Moving>('POST', `${path}/move/preview`, { people, section: section?.id });
    if (!answer.ok) return;
    const several = answer.value.students.length > 1;
    setPending({
      section,
      givesBack: answer.value.students.flatMap(({ name, givesBack }) =>
        givesBack.map((time) => (several ? `${name}: ${time}` : time)),
      ),
    });
  };
  const said = (section: Section | undefined) => {
    const [only] = picked;
    if (picked.length === 1)
      return section
        ? frameHistoryTexts.movedSection({ name: only!.name, section: section.name })
        : frameHistoryTexts.leftCourse({ name: only!.name });
    return section
      ? frameHistoryTexts.movedSectionSeveral({ n: picked.length, section: section.name })
      : frameHistoryTexts.leftCourseSeveral({ n: picked.length });
  };
  const move = async ({ section }: Pending) => {
    const answer = await act('POST', `${path}/move`, { people, section: section?.id }, () => said(section));
    if (answer.ok) choose(new Set());
  };
  const write = () =>
    act<{ sent: number }>('POST', `${path}/letters`, { people }, ({ sent }) => say.sentAgain({ n: sent }));
  return (
    <>
      <div className={styles.rosterTools}>
        <Field label={say.find} value={words} onChange={setWords} />
        <Select
          label={say.order}
          value={order}
          onChange={(value) => setOrder(value as Order)}
          options={ORDERS.filter((each) => each !== 'section' || sections.length > 1).map((value) => ({
            value,
            label: say.orders[value],
          }))}
        />
      </div>
      <div className={styles.rosterBar} role="group" aria-label={say.chosen({ n: picked.length })}>
        <p aria-live="polite">{say.chosen({ n: picked.length })}</p>
        <Button
          size="small"
          disabled={shown.length === 0}
          onClick={() => choose(new Set(shown.map(({ person }) => person)))}
        >
          {say.all}
        </Button>
        {picked.length > 0 ? (
          <>
            <Button size="small" onClick={() => choose(new Set())}>
              {say.none}
            </Button>
            {sections.length > 1
              ? sections.map((section) => (
                  <Button
                    key={section.id}
                    size="small"
                    variant="outlined"
                    disabled={busy}
                    onClick={() => void look(section)}
                  >
                    {say.moveTo({ section: section.name })}
                  </Button>
                ))
              : null}
            {waiting > 0 ? (
              <Button size="small" variant="outlined" disabled={busy} onClick={() => void write()}>
                {say.letterAgain({ n: waiting })}
              </Button>
            ) : null}
            <Button size="small" variant="outlined" disabled={busy} onClick={() => void look()}>
              {say.takeOff}
            </Button>
          </>
        ) : null}
      </div>
      {pending ? (
        <div
          className={`notice ${styles.pending}`}
          role="group"
          aria-label={say.chosen({ n: picked.length })}
        >
          {pending.givesBack.length === 0 ? (
            <p>{say.holdNothing({ n: picked.length })}</p>
          ) : (
            <>
              <p>{say.givesBack({ n: pending.givesBack.length })}</p>
              <ul>
                {pending.givesBack.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ul>
            </>
          )}
          <div className={styles.buttons}>
            <Button size="small" variant="contained" disabled={busy} onClick={() => void move(pending)}>
              {pending.section
                ? say.confirmMove({ n: picked.length, section: pending.section.name })
                : say.confirmLeave({ n: picked.length })}
            </Button>
            <Button size="small" variant="outlined" onClick={() => setPending(undefined)}>
              {say.keep}
            </Button>
          </div>
        </div>
      ) : null}
      {shown.length === 0 ? <p className="soft">{say.nobodyFound}</p> : null}
      <ul className={styles.roster}>
        {shown.map((member) => (
          <li key={member.person}>
            <label>
              <input
                type="checkbox"
                checked={chosen.has(member.person)}
                onChange={() => pick(member.person)}
              />
              <span>
                {member.name}{' '}
                <span className="soft">
                  {[
                    sections.length > 1 ? (member.section ?? courseTexts.noSection) : '',
                    member.waiting ? schoolTexts.neverSignedIn : '',
                  ]
                    .filter(Boolean)
                    .join(' · ')}
                </span>
                <span className={`soft ${styles.address}`}>{member.email}</span>
              </span>
            </label>
          </li>
        ))}
      </ul>
    </>
  );
}

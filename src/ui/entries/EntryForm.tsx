'use client';
import type { ClassNumber } from '@/core/time/classNumber';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { checkTexts } from '@/core/texts/checks';
import { panelTexts } from '@/core/texts/term';
import type { FieldErrors } from '../controls/callApi';
import { Field } from '../controls/Field';
import { DayField } from '../days/DayField';
import { Choice } from '../controls/Choice';
import { AssignmentFields } from './AssignmentFields';
import { AudienceFields } from './AudienceFields';
import styles from './EntryForm.module.css';
import type { EntryDraft } from './entryDraft';
import { EventFields } from './EventFields';
import { fieldsOf } from './fieldsOf';
import { LinkFields } from './LinkFields';
import { RichTextField } from './RichTextField';
import type { PanelCourse } from './panelData';
import type { DraftReading } from './readDraft';
import { readDraft } from './readDraft';
import { TimeField } from './TimeField';
import { useChecks } from './useChecks';
import { VisibilityFields } from './VisibilityFields';
import { audienceOfDraft, whoWillSee } from './whoWillSee';

type Props = Readonly<{
  /** Of an entry that stands already. */
  id?: string;
  draft: EntryDraft;
  onChange: (draft: EntryDraft) => void;
  courses: readonly PanelCourse[];
  /** The kinds that can be chosen; one alone is not asked. */
  kinds: readonly EntryDraft['kind'][];
  /** One occurrence of a series. */
  single: boolean;
  /** Of a series: which of it is changed, in words. */
  scopeWords?: string;
  /** A date in words, with its week: `week 6, Thu 15 Oct`. */
  dayWords: (date: string) => string | undefined;
  /** When a class of some courses begins or ends, in words. */
  classWords: (courses: readonly string[], number: ClassNumber, edge: 'start' | 'end') => string | undefined;
  serverErrors: FieldErrors;
  message?: string;
  busy: boolean;
  /** Whom a change would take it from, in words. */
  loses?: string;
  onSave: (reading: Extract<DraftReading, { ok: true }>) => void;
  onCancel: () => void;
}>;

/** The fields of an entry. What was typed stays as typed until it is saved or given up. */
export function EntryForm(props: Props) {
  const { draft, onChange, courses, kinds, single, dayWords, serverErrors, message, busy, loses } = props;
  const [tried, setTried] = useState(false);
  const termEnds = courses.find((course) => draft.courses[course.id])?.termEnds;
  const reading = readDraft(draft, { termEnds });
  const found = reading.ok ? {} : reading.errors;
  const errors: FieldErrors = tried ? { ...serverErrors, ...(found as FieldErrors) } : serverErrors;
  const fields = fieldsOf(draft, onChange, { errors, reading });
  const { set, text, time } = fields;
  const questionable = useChecks(reading, props.id);
  const shared = draft.kind !== 'note' && !single;
  const who = audienceOfDraft(draft, courses);

  return (
    <form
      className={styles.form}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        setTried(true);
        if (reading.ok) props.onSave(reading);
      }}
    >
      {kinds.length > 1 ? (
        <Choice
          label={panelTexts.kind}
          value={draft.kind}
          options={kinds.map((kind) => ({ value: kind, label: panelTexts[kind] }))}
          onChange={(kind) => set({ kind })}
        />
      ) : null}
      {draft.kind === 'note' ? <p className="soft">{panelTexts.noteLead}</p> : null}
      {props.scopeWords ? <p className="soft">{props.scopeWords}</p> : null}
      <Field label={panelTexts.title} autoFocus {...text('title')} />
      {shared ? (
        <AudienceFields
          courses={courses}
          chosen={draft.courses}
          onChange={(chosen) => set({ courses: chosen })}
          error={errors.courses ?? errors.audience}
        />
      ) : null}
      {draft.kind === 'event' ? (
        <EventFields fields={fields} dayWords={dayWords} single={single} courses={courses} />
      ) : null}
      {draft.kind === 'assignment' ? (
        <AssignmentFields
          id={props.id}
          fields={fields}
          dayWords={dayWords}
          courses={courses}
          classWords={(number, edge) => props.classWords(Object.keys(draft.courses), number, edge)}
        />
      ) : null}
      {draft.kind === 'announcement' || draft.kind === 'note' ? (
        <div className={styles.row}>
          <DayField label={panelTexts.day} hint={dayWords(draft.day)} {...text('day')} />
          {draft.kind === 'note' ? (
            <TimeField label={panelTexts.time} hint={panelTexts.endsHint} {...time('starts')} />
          ) : null}
        </div>
      ) : null}
      {shared ? (
        <LinkFields
          key={Object.keys(draft.courses).join()}
          links={draft.links}
          courses={Object.keys(draft.courses)}
          onChange={(links) => set({ links })}
          errors={errors}
        />
      ) : null}
      <RichTextField
        value={draft.description}
        onChange={(description) => set({ description })}
        label={panelTexts.description}
      />
      {shared ? <VisibilityFields fields={fields} /> : null}
      {questionable.length > 0 ? (
        <section className="notice" aria-live="polite">
          <b>{checkTexts.inPanel}</b>
          <ul>
            {questionable.map((why) => (
              <li key={why}>{why}</li>
            ))}
          </ul>
        </section>
      ) : null}
      <div className={styles.save}>
        <p className="notice">
          <b>{panelTexts.whoSees}: </b>
          {whoWillSee(draft, courses)}
          {loses ? <> {panelTexts.loses({ who: loses })}</> : null}
        </p>
        <p role="alert" className={styles.error}>
          {message}
        </p>
        <div className={styles.buttons}>
          <Button type="submit" variant="contained" disabled={busy}>
            {draft.kind === 'note'
              ? panelTexts.saveFor({ who: panelTexts.onlyYou })
              : draft.visibility === 'draft'
                ? panelTexts.saveDraft
                : who
                  ? panelTexts.saveFor({ who })
                  : panelTexts.save}
          </Button>
          <Button variant="outlined" onClick={props.onCancel}>
            {panelTexts.cancel}
          </Button>
        </div>
      </div>
    </form>
  );
}

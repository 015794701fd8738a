'use client';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useState } from 'react';
import { panelTexts } from '@/core/texts/term';
import type { FieldErrors } from '../controls/callApi';
import { Field } from '../controls/Field';
import { Choice } from '../controls/Choice';
import { AudienceFields } from './AudienceFields';
import styles from './EntryForm.module.css';
import type { DraftReading, EntryDraft } from './entryDraft';
import { readDraft } from './entryDraft';
import { LinkFields } from './LinkFields';
import type { PanelCourse } from './panelData';
import { TimeField } from './TimeField';
import { audienceOfDraft, whoWillSee } from './whoWillSee';

type Props = Readonly<{
  draft: EntryDraft;
  onChange: (draft: EntryDraft) => void;
  courses: readonly PanelCourse[];
  isNew: boolean;
  /** A date in words, with its week: `week 6, Thu 15 Oct`. */
  dayWords: (date: string) => string | undefined;
  serverErrors: FieldErrors;
  message?: string;
  busy: boolean;
  onSave: (reading: Extract<DraftReading, { ok: true }>) => void;
  onCancel: () => void;
}>;

/** The fields of an event or an assignment. What was typed stays as typed until it is saved or given up. */
export function EntryForm({
  draft,
  onChange,
  courses,
  isNew,
  dayWords,
  serverErrors,
  message,
  busy,
  onSave,
  onCancel,
}: Props) {
  const [tried, setTried] = useState(false);
  const reading = readDraft(draft);
  const found = reading.ok ? {} : reading.errors;
  const errors: FieldErrors = tried ? { ...serverErrors, ...(found as FieldErrors) } : serverErrors;
  const set = (changes: Partial<EntryDraft>) => onChange({ ...draft, ...changes });
  const text = (
    field: 'title' | 'place' | 'handIn' | 'description' | 'day' | 'lastDay' | 'setOn' | 'fromDay',
  ) => ({
    value: draft[field],
    onChange: (value: string) => set({ [field]: value }),
    error: errors[field],
  });
  const time = (field: 'starts' | 'ends' | 'dueTime' | 'fromTime') => ({
    value: draft[field],
    onChange: (value: string) => set({ [field]: value }),
    error: errors[field],
    // A question is asked as soon as it arises, not only when saving.
    readings: reading.ok ? undefined : reading.questions.find((q) => q.field === field)?.readings,
  });
  const who = audienceOfDraft(draft, courses);

  return (
    <form
      className={styles.form}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        setTried(true);
        if (reading.ok) onSave(reading);
      }}
    >
      {isNew ? (
        <Choice
          label={panelTexts.kind}
          value={draft.kind}
          options={[
            { value: 'event', label: panelTexts.event },
            { value: 'assignment', label: panelTexts.assignment },
          ]}
          onChange={(kind) => set({ kind })}
        />
      ) : null}
      <Field label={panelTexts.title} autoFocus {...text('title')} />
      {draft.kind === 'event' ? (
        <>
          <div className={styles.row}>
            <Field label={panelTexts.day} type="date" hint={dayWords(draft.day)} {...text('day')} />
            <FormControlLabel
              className={styles.allDay}
              control={
                <Checkbox checked={draft.allDay} onChange={(e) => set({ allDay: e.target.checked })} />
              }
              label={panelTexts.allDay}
            />
          </div>
          {draft.allDay ? (
            <Field label={panelTexts.lastDay} type="date" hint={panelTexts.endsHint} {...text('lastDay')} />
          ) : (
            <div className={styles.row}>
              <TimeField label={panelTexts.starts} hint={panelTexts.timesHint} {...time('starts')} />
              <TimeField label={panelTexts.ends} hint={panelTexts.endsHint} {...time('ends')} />
            </div>
          )}
          <Field label={panelTexts.place} {...text('place')} />
        </>
      ) : (
        <>
          <Field
            label={panelTexts.setOn}
            type="date"
            hint={dayWords(draft.setOn) ?? panelTexts.setOnHint}
            {...text('setOn')}
          />
          <div className={styles.row}>
            <Field label={panelTexts.dueDay} type="date" hint={dayWords(draft.day)} {...text('day')} />
            <TimeField label={panelTexts.dueTime} hint={panelTexts.dueTimeHint} {...time('dueTime')} />
          </div>
          <Field label={panelTexts.handIn} hint={panelTexts.handInHint} {...text('handIn')} />
        </>
      )}
      <LinkFields links={draft.links} onChange={(links) => set({ links })} errors={errors} />
      <Field label={panelTexts.description} rows={3} {...text('description')} />
      <AudienceFields
        courses={courses}
        chosen={draft.courses}
        onChange={(chosen) => set({ courses: chosen })}
        error={errors.courses ?? errors.audience}
      />
      <Choice
        label={panelTexts.visibility}
        value={draft.visibility}
        options={[
          { value: 'visible', label: panelTexts.visibleNow },
          { value: 'from', label: panelTexts.visibleFrom },
          { value: 'draft', label: panelTexts.visibleDraft },
        ]}
        column
        onChange={(visibility) => set({ visibility })}
      />
      {draft.visibility === 'from' ? (
        <div className={styles.row}>
          <Field label={panelTexts.shownFromDay} type="date" {...text('fromDay')} />
          <TimeField label={panelTexts.shownFromTime} {...time('fromTime')} />
        </div>
      ) : null}
      <div className={styles.save}>
        <p className="notice">
          <b>{panelTexts.whoSees}: </b>
          {whoWillSee(draft, courses)}
        </p>
        <p role="alert" className={styles.error}>
          {message}
        </p>
        <div className={styles.buttons}>
          <Button type="submit" variant="contained" disabled={busy}>
            {draft.visibility === 'draft'
              ? panelTexts.saveDraft
              : who
                ? panelTexts.saveFor(who)
                : panelTexts.save}
          </Button>
          <Button variant="outlined" onClick={onCancel}>
            {panelTexts.cancel}
          </Button>
        </div>
      </div>
    </form>
  );
}

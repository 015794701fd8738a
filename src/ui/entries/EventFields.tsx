'use client';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Button from '@mui/material/Button';
import type { ClipboardEvent } from 'react';
import { useState } from 'react';
import { readMeetingText } from '@/core/entries/readMeetingText';
import { panelTexts } from '@/core/texts/term';
import { callApi } from '../controls/callApi';
import { Field } from '../controls/Field';
import { TestLink } from '../controls/TestLink';
import { DayField } from '../days/DayField';
import styles from './EntryForm.module.css';
import type { FormFields } from './fieldsOf';
import type { PanelCourse } from './panelData';
import { RepeatFields } from './RepeatFields';
import { TimeField } from './TimeField';

type Props = Readonly<{
  fields: FormFields;
  dayWords: (date: string) => string | undefined;
  /** One occurrence of a series: only its title, time and place. */
  single: boolean;
  courses: readonly PanelCourse[];
}>;

export function EventFields({ fields, dayWords, single, courses }: Props) {
  const { draft, set, text, time } = fields;
  return (
    <>
      <div className={styles.row}>
        <DayField label={panelTexts.day} hint={dayWords(draft.day)} {...text('day')} />
        <FormControlLabel
          className={styles.allDay}
          control={<Checkbox checked={draft.allDay} onChange={(e) => set({ allDay: e.target.checked })} />}
          label={panelTexts.allDay}
        />
      </div>
      {draft.allDay ? null : (
        <div className={styles.row}>
          <TimeField label={panelTexts.starts} hint={panelTexts.timesHint} {...time('starts')} />
          <TimeField label={panelTexts.ends} hint={panelTexts.endsHint} {...time('ends')} />
        </div>
      )}
      <DayField
        label={panelTexts.lastDay}
        hint={dayWords(draft.lastDay) ?? panelTexts.lastDayHint}
        {...text('lastDay')}
      />
      <Field label={panelTexts.place} {...text('place')} />
      {single ? null : (
        <details open={draft.repeat.kind !== 'none' || draft.meetingLink !== '' || draft.asksComing}>
          <summary>{panelTexts.moreEvent}</summary>
          <div className={styles.inner}>
            <RepeatFields fields={fields} />
            <MeetingFields fields={fields} courses={courses} />
            <div className={styles.row}>
              <FormControlLabel
                control={
                  <Checkbox
                    checked={draft.asksComing}
                    onChange={(e) => set({ asksComing: e.target.checked })}
                  />
                }
                label={panelTexts.asksComing}
              />
              {draft.asksComing ? (
                <Field label={panelTexts.seats} hint={panelTexts.seatsHint} {...text('seats')} />
              ) : null}
            </div>
          </div>
        </details>
      )}
    </>
  );
}

/** A link to join by: pasted, the course's own, or a room that the meeting service makes. */
function MeetingFields({ fields, courses }: { fields: FormFields; courses: readonly PanelCourse[] }) {
  const { draft, set, text } = fields;
  const [message, setMessage] = useState<string>();
  const own = courses.filter((course) => draft.courses[course.id] && course.meetingLink);
  const make = async () => {
    const answer = await callApi<{ url: string; text: string }>('POST', '/api/rooms', {
      title: draft.title || panelTexts.event,
    });
    if (answer.ok) set({ meetingLink: answer.value.url, meetingText: answer.value.text });
    setMessage(answer.ok ? undefined : answer.message);
  };
  const paste = (event: ClipboardEvent) => {
    const read = readMeetingText(event.clipboardData.getData('text/plain'));
    if (!read) return;
    event.preventDefault();
    set({ meetingLink: read.link, meetingText: panelTexts.joiningLines(read) });
  };
  return (
    <>
      <div onPaste={paste}>
        <Field
          label={panelTexts.meetingLink}
          type="url"
          hint={panelTexts.meetingLinkHint}
          {...text('meetingLink')}
        />
      </div>
      <div className={styles.buttons}>
        {own.map((course) => (
          <Button
            key={course.id}
            size="small"
            variant="outlined"
            onClick={() => set({ meetingLink: course.meetingLink })}
          >
            {panelTexts.useCourseLink({ tag: course.tag })}
          </Button>
        ))}
        <Button size="small" variant="outlined" onClick={() => void make()}>
          {panelTexts.makeMeeting}
        </Button>
      </div>
      {message ? (
        <p role="alert" className={styles.error}>
          {message}
        </p>
      ) : null}
      {draft.meetingLink.trim() ? (
        <>
          <Field label={panelTexts.meetingName} hint={panelTexts.meetingNameHint} {...text('meetingName')} />
          <TestLink url={draft.meetingLink.trim()} />
        </>
      ) : null}
      <Field label={panelTexts.meetingText} rows={2} {...text('meetingText')} />
    </>
  );
}

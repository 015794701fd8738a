'use client';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useState } from 'react';
import { COURSE_COLORS } from '@/core/plan/plan';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { courseTexts, schoolTexts } from '@/core/texts/school';
import { Field } from '../controls/Field';
import { FormBox } from './FormBox';
import styles from './School.module.css';
import { Select } from '../controls/Select';
import { numberIn } from '../controls/numberIn';
import { useSubmit } from '../controls/useSubmit';

export type CourseFactsView = Readonly<{
  id: string;
  code: string;
  title: string;
  tag: string;
  color: string;
  credits: string;
  weeklyHours: string;
  sharesTitles: boolean;
  place: string;
  meetingLink: string;
}>;

/** What a course is called and where it meets unless said otherwise. */
export function CourseFacts({ course }: { course: CourseFactsView }) {
  const { submit, errors, message, busy } = useSubmit();
  const [value, setValue] = useState(course);
  type Text = Exclude<keyof typeof value, 'sharesTitles'>;
  const set = (key: Text) => (text: string) => setValue({ ...value, [key]: text });
  const field = (key: Text) => ({
    value: value[key],
    onChange: set(key),
    error: errors[key],
  });
  const save = async () => {
    const { id, credits, weeklyHours, ...facts } = value;
    const body = { ...facts, credits: numberIn(credits), weeklyHours: numberIn(weeklyHours) };
    const answer = await submit<{ code: string }>('PUT', `/api/courses/${id}`, body, ({ code }) =>
      frameHistoryTexts.changedCourse({ code }),
    );
    // The code is in the page's address.
    if (answer.ok && value.code !== course.code) window.location.replace(`/courses/${value.id}`);
  };
  return (
    <FormBox
      summary={courseTexts.changeCourse}
      action={courseTexts.saveCourse}
      onSubmit={save}
      message={message}
      disabled={busy}
    >
      <div className={styles.row}>
        <Field label={schoolTexts.code} {...field('code')} />
        <Field label={schoolTexts.tag} hint={schoolTexts.tagHint} {...field('tag')} />
      </div>
      <Field label={schoolTexts.courseTitle} {...field('title')} />
      <div className={styles.row}>
        <Select
          label={schoolTexts.color}
          value={value.color}
          options={COURSE_COLORS.map((color) => ({ value: color, label: color }))}
          onChange={set('color')}
          error={errors.color}
        />
      </div>
      <div className={styles.row}>
        <Field label={schoolTexts.credits} {...field('credits')} />
        <Field label={schoolTexts.weeklyHours} hint={schoolTexts.weeklyHoursHint} {...field('weeklyHours')} />
      </div>
      <FormControlLabel
        control={
          <Checkbox
            checked={value.sharesTitles}
            onChange={(e) => setValue({ ...value, sharesTitles: e.target.checked })}
          />
        }
        label={schoolTexts.sharesTitles}
      />
      <Field label={schoolTexts.place} {...field('place')} />
      <Field
        label={courseTexts.meetingLink}
        type="url"
        hint={courseTexts.meetingLinkHint}
        {...field('meetingLink')}
      />
    </FormBox>
  );
}

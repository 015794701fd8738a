'use client';
import { useState } from 'react';
import { COURSE_COLORS } from '@/core/plan/plan';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { schoolTexts } from '@/core/texts/school';
import { Field } from '../controls/Field';
import { FormBox } from './FormBox';
import styles from './School.module.css';
import { Select } from '../controls/Select';
import { numberIn } from '../controls/numberIn';
import { useSubmit } from '../controls/useSubmit';

type Props = Readonly<{
  terms: readonly Readonly<{ id: string; name: string }>[];
  people: readonly Readonly<{ id: string; name: string }>[];
  /** Who has which colour in the present term. */
  taken: Readonly<Record<string, string>>;
}>;

/** `A: Tue Thu 10-11:50` as a section; a line without a colon is a week of section A. */
function sectionOf(line: string) {
  const at = /^\s*([^:\d]{1,50}?)\s*:\s*(?=\D)/.exec(line);
  return at ? { name: at[1]!, week: line.slice(at[0].length) } : { name: 'A', week: line.trim() };
}

export function CourseForm({ terms, people, taken }: Props) {
  const { submit, errors, message, busy } = useSubmit();
  const free = COURSE_COLORS.find((color) => !taken[color]) ?? COURSE_COLORS[0];
  const empty = {
    term: terms.at(-1)?.id ?? '',
    code: '',
    title: '',
    tag: '',
    color: '',
    credits: '',
    place: '',
    instructor: people[0]?.id ?? '',
    sections: '',
  };
  const [value, setValue] = useState(empty);
  const set = (key: keyof typeof value) => (text: string) => setValue({ ...value, [key]: text });
  const field = (key: keyof typeof value, error = errors[key]) => ({
    value: value[key],
    onChange: set(key),
    error,
  });
  const lines = value.sections.split('\n').filter((line) => line.trim() !== '');
  const sectionErrors = Object.entries(errors)
    .filter(([key]) => key.startsWith('sections'))
    .map(([, text]) => text)
    .join(' ');
  const add = async () => {
    const answer = await submit<{ code: string }>(
      'POST',
      '/api/courses',
      {
        term: value.term, instructor: value.instructor, code: value.code, title: value.title, tag: value.tag, color: value.color || free, place: value.place,
        credits: numberIn(value.credits), sections: lines.map(sectionOf),
      },
      ({ code }) => frameHistoryTexts.addedCourse({ code }),
    ); // prettier-ignore
    if (answer.ok) setValue(empty);
  };
  return (
    <FormBox
      summary={schoolTexts.addCourse}
      action={schoolTexts.saveCourse}
      onSubmit={add}
      message={message}
      disabled={busy}
    >
      {terms.length > 1 ? (
        <Select
          label={schoolTexts.closureTerm}
          value={value.term}
          options={terms.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={set('term')}
        />
      ) : null}
      <div className={styles.row}>
        <Field label={schoolTexts.code} hint={schoolTexts.codeHint} {...field('code')} />
        <Field label={schoolTexts.tag} hint={schoolTexts.tagHint} {...field('tag')} />
      </div>
      <Field label={schoolTexts.courseTitle} {...field('title')} />
      <div className={styles.row}>
        <Select
          label={schoolTexts.color}
          value={value.color || free}
          options={COURSE_COLORS.map((color) => ({
            value: color,
            label: `${color} (${taken[color] ? schoolTexts.colorTaken({ tag: taken[color] }) : schoolTexts.colorFree})`,
          }))}
          onChange={set('color')}
          error={errors.color}
        />
        <Field label={schoolTexts.credits} {...field('credits')} />
      </div>
      <Field label={schoolTexts.place} {...field('place')} />
      <Select
        label={schoolTexts.instructor}
        value={value.instructor}
        options={people.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={set('instructor')}
        error={errors.instructor}
      />
      <Field
        label={schoolTexts.sections}
        hint={schoolTexts.sectionsHint}
        rows={3}
        {...field('sections', sectionErrors || undefined)}
      />
    </FormBox>
  );
}

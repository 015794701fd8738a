'use client';
import { useState } from 'react';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { courseTexts } from '@/core/texts/school';
import { Field } from '../controls/Field';
import { FormBox } from './FormBox';
import { useSubmit } from '../controls/useSubmit';

export function SectionForm({ course }: { course: string }) {
  const { submit, errors, message, busy } = useSubmit();
  const [value, setValue] = useState({ name: '', week: '' });
  const field = (key: 'name' | 'week') => ({
    value: value[key],
    onChange: (text: string) => setValue({ ...value, [key]: text }),
    error: errors[key],
  });
  const add = async () => {
    const answer = await submit<{ name: string }>(
      'POST',
      `/api/courses/${course}/sections`,
      value,
      ({ name }) => frameHistoryTexts.addedSection({ name }),
    );
    if (answer.ok) setValue({ name: '', week: '' });
  };
  return (
    <FormBox
      summary={courseTexts.addSection}
      action={courseTexts.saveSection}
      onSubmit={add}
      message={message}
      disabled={busy}
    >
      <Field label={courseTexts.sectionName} {...field('name')} />
      <Field label={courseTexts.meets} hint={courseTexts.weekHint} {...field('week')} />
    </FormBox>
  );
}

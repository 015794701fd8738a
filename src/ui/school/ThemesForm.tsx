'use client';
import { useState } from 'react';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { courseTexts } from '@/core/texts/school';
import { Field } from '../controls/Field';
import { FormBox } from './FormBox';
import { useSubmit } from '../controls/useSubmit';

/** What each week is about, one line a week: a list that was written elsewhere is pasted whole. */
export function ThemesForm({ course, themes }: { course: string; themes: readonly string[] }) {
  const { submit, errors, message, busy } = useSubmit();
  const [text, setText] = useState(themes.join('\n'));
  const save = () =>
    submit(
      'PUT',
      `/api/courses/${course}/themes`,
      { themes: text.split('\n').map((line) => line.trim()) },
      () => frameHistoryTexts.wroteThemes,
    );
  return (
    <FormBox
      summary={courseTexts.themes}
      action={courseTexts.saveThemes}
      onSubmit={save}
      message={message ?? Object.values(errors)[0]}
      disabled={busy}
    >
      <Field
        label={courseTexts.themes}
        hint={courseTexts.themesHint}
        rows={8}
        value={text}
        onChange={setText}
      />
    </FormBox>
  );
}

'use client';
import Button from '@mui/material/Button';
import { questionTexts as say } from '@/core/texts/questions';
import { Choice } from '../controls/Choice';
import { useKept } from '../controls/useKept';
import { useSubmit } from '../controls/useSubmit';
import { RichTextField } from '../entries/RichTextField';
import { QuestionForm } from './QuestionForm';

type Draft = Readonly<{ text: string; whom: 'staff' | 'everybody'; name: 'hidden' | 'shown' }>;
const EMPTY: Draft = { text: '', whom: 'staff', name: 'hidden' };

/** A student asks: it says before it is sent who reads the question and the name. What is begun is kept. */
export function AskForm({ about }: { about: string }) {
  const [draft, keep] = useKept<Draft | null>(`question ${about}`, null);
  const { submit, errors, message, busy } = useSubmit();
  if (draft === null)
    return (
      <Button variant="outlined" onClick={() => keep(EMPTY)}>
        {say.ask}
      </Button>
    );
  const { text, whom, name } = draft;
  const send = async () => {
    const body = { about, text, everybody: whom === 'everybody', named: whom === 'everybody' && name === 'shown' };
    const answer = await submit('POST', '/api/questions', body, () => say.asked);
    if (answer.ok) keep(undefined);
  };
  return (
    <QuestionForm action={say.send} busy={busy} error={errors.text ?? message} onSend={send} onBack={() => keep(undefined)}>
      <RichTextField label={say.text} value={text} onChange={(html) => keep({ ...draft, text: html })} />
      <Choice
        label={say.whom}
        value={whom}
        options={(['staff', 'everybody'] as const).map((value) => ({ value, label: say.whoms[value] }))}
        onChange={(value) => keep({ ...draft, whom: value })}
      />
      {whom === 'everybody' ? (
        <Choice
          label={say.name}
          value={name}
          column
          options={(['hidden', 'shown'] as const).map((value) => ({ value, label: say.names[value] }))}
          onChange={(value) => keep({ ...draft, name: value })}
        />
      ) : null}
      <p className="soft">{whom === 'everybody' ? say.leadEverybody : say.lead}</p>
    </QuestionForm>
  );
} // prettier-ignore

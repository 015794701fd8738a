'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { questionTexts as say } from '@/core/texts/questions';
import { Field } from '../controls/Field';
import { Select } from '../controls/Select';
import { useKept } from '../controls/useKept';
import { useAct, useSubmit } from '../controls/useSubmit';
import { RichTextField } from '../entries/RichTextField';
import { AskForm } from './AskForm';
import { QuestionForm } from './QuestionForm';
import styles from './Questions.module.css';
import type { AnswerLine, QuestionLine } from './questionsView';

type Props = Readonly<{
  about: string;
  lines: readonly QuestionLine[];
  mayAsk: boolean;
  mayAnswer: boolean;
  /** For whoever may say whether students ask here. */
  choice?: Readonly<{ own?: boolean; byCourse: boolean }>;
}>;

/** What students asked under an entry or a class, and what was answered. */
export function Questions({ about, lines, mayAsk, mayAnswer, choice }: Props) {
  const { act } = useAct();
  if (lines.length === 0 && !mayAsk && !choice) return null;
  const askings = { '': say.askings.course({ open: choice?.byCourse ?? false }), open: say.askings.open, shut: say.askings.shut };
  return (
    <section className={styles.questions} id="questions" aria-labelledby="questions-title">
      <h2 id="questions-title">{say.title}</h2>
      {lines.length === 0 && mayAsk ? <p className="soft">{say.none}</p> : null}
      <ul className={styles.list}>
        {lines.map((line) => (
          <li key={line.id}>{line.takenAway ? <Gone line={line} mayAnswer={mayAnswer} /> : <One line={line} mayAnswer={mayAnswer} />}</li>
        ))}
      </ul>
      {mayAsk ? <AskForm about={about} /> : null}
      {choice ? (
        <Select
          label={say.asking}
          value={choice.own === undefined ? '' : choice.own ? 'open' : 'shut'}
          options={Object.entries(askings).map(([value, label]) => ({ value, label }))}
          onChange={(value) => void act('PUT', `/api/asking/${about}`, { open: value === '' ? null : value === 'open' }, () => say.askingSaved)}
        />
      ) : null}
    </section>
  );
} // prettier-ignore

/** The mark of a question that was taken away. */
function Gone({ line, mayAnswer }: { line: QuestionLine; mayAnswer: boolean }) {
  const { act, busy } = useAct();
  return (
    <p className="soft">
      {line.mine ? say.ownTakenAway : say.takenAway}{' '}
      {mayAnswer ? (
        <Button size="small" disabled={busy} onClick={() => void act('PUT', `/api/questions/${line.id}`, { takenAway: false }, () => say.put)}>
          {say.putBack}
        </Button>
      ) : null}
    </p>
  );
} // prettier-ignore

function One({ line, mayAnswer }: { line: QuestionLine; mayAnswer: boolean }) {
  const { act, busy } = useAct();
  const change = (state: object, said: string) => void act('PUT', `/api/questions/${line.id}`, state, () => said);
  return (
    <article className={styles.question}>
      <p className="soft">{[line.by, ...line.states].join(' · ')}</p>
      <div className={`formatted ${styles.text}`} dir="auto" dangerouslySetInnerHTML={{ __html: line.html }} />
      {line.reports ? <p className="notice">{line.reports}</p> : null}
      {line.answers.map((answer) => (
        <AnswerOf key={answer.id} answer={answer} mayAnswer={mayAnswer} />
      ))}
      {mayAnswer && !line.closed ? <AnswerForm question={line.id} /> : null}
      <div className={styles.acts}>
        {mayAnswer ? (
          <Button size="small" disabled={busy} onClick={() => change({ closed: !line.closed }, line.closed ? say.reopened : say.closed_)}>
            {line.closed ? say.reopen : say.close}
          </Button>
        ) : null}
        {mayAnswer && line.reports ? (
          <Button size="small" disabled={busy} onClick={() => change({ reported: false }, say.stands)}>
            {say.mayStand}
          </Button>
        ) : null}
        {mayAnswer || (line.mine && line.answers.length === 0) ? (
          <Button size="small" disabled={busy} onClick={() => change({ takenAway: true }, say.tookAway)}>
            {say.takeAway}
          </Button>
        ) : null}
        {mayAnswer || line.mine || line.reported ? null : <ReportForm question={line.id} />}
      </div>
    </article>
  );
} // prettier-ignore

function AnswerOf({ answer, mayAnswer }: { answer: AnswerLine; mayAnswer: boolean }) {
  const { act, busy } = useAct();
  return (
    <div className={styles.answer}>
      <p className="soft">{answer.by}</p>
      <div className={`formatted ${styles.text}`} dir="auto" dangerouslySetInnerHTML={{ __html: answer.html }} />
      {mayAnswer ? (
        <Button size="small" disabled={busy} onClick={() => void act('DELETE', `/api/answers/${answer.id}`, undefined, () => say.tookAnswer)}>
          {say.takeAnswer}
        </Button>
      ) : null}
    </div>
  );
} // prettier-ignore

/** The staff answer; what is begun is kept. */
function AnswerForm({ question }: { question: string }) {
  const [text, keep] = useKept<string | null>(`answer ${question}`, null);
  const { submit, errors, message, busy } = useSubmit();
  if (text === null)
    return (
      <div>
        <Button variant="outlined" size="small" onClick={() => keep('')}>
          {say.answer}
        </Button>
      </div>
    );
  const send = async () => {
    const answer = await submit('POST', `/api/questions/${question}/answers`, { text }, () => say.answered);
    if (answer.ok) keep(undefined);
  };
  return (
    <QuestionForm
      action={say.answer}
      busy={busy}
      error={errors.text ?? message}
      onSend={send}
      onBack={() => keep(undefined)}
    >
      <RichTextField label={say.answerText} value={text} onChange={keep} />
      <p className="soft">{say.answerHint}</p>
    </QuestionForm>
  );
}

/** A classmate tells the staff that something is wrong with a question. */
function ReportForm({ question }: { question: string }) {
  const [open, setOpen] = useState(false);
  const [reason, setReason] = useState('');
  const { submit, errors, message, busy } = useSubmit();
  if (!open)
    return (
      <Button size="small" onClick={() => setOpen(true)}>
        {say.report}
      </Button>
    );
  const send = async () => {
    const answer = await submit('POST', `/api/questions/${question}/report`, { reason }, () => say.reported);
    if (answer.ok) setOpen(false);
  };
  return (
    <QuestionForm
      action={say.sendReport}
      busy={busy}
      error={message}
      onSend={send}
      onBack={() => setOpen(false)}
    >
      <Field label={say.reportReason} value={reason} onChange={setReason} error={errors.reason} />
    </QuestionForm>
  );
}

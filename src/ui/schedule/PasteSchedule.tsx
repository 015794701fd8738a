'use client';
import DownloadIcon from '@mui/icons-material/FileDownloadOutlined';
import Button from '@mui/material/Button';
import { Link } from '@/ui/controls/Link';
import { useState } from 'react';
import { Temporal } from 'temporal-polyfill';
import { emptySheet } from '@/core/exchange/emptySheet';
import { LIST_COLUMNS } from '@/core/exchange/list/listColumns';
import { spreadsheetList } from '@/core/exchange/list/spreadsheetList';
import { scheduleTexts as say } from '@/core/texts/schedule';
import { dateLabel } from '@/core/time/dateLabels';
import { Field } from '../controls/Field';
import { saveFile } from '../controls/saveFile';
import { callApi } from '../controls/callApi';
import { UploadField } from '../controls/UploadField';
import { Select } from '../controls/Select';
import { useKept } from '../controls/useKept';
import { useSubmit } from '../controls/useSubmit';
import styles from './Schedule.module.css';
import { ScheduleLineRow } from './ScheduleLines';
import type { ProposedLine } from '@/core/schedule/scheduleLine';
import type { Draft } from './scheduleDraft';
import { draftsOf, isOpen, isTaken, plans, sentLines } from './scheduleDraft';

type Taken = Readonly<{
  topics: number;
  entries: number;
  closures: number;
  same: number;
  left: readonly Readonly<{ text: string; why: string }>[];
}>;
type Props = Readonly<{
  courses: readonly Readonly<{ id: string; term: string; name: string }>[];
  chosen: string;
  locale: string;
}>;

/** The heads of a saved list, without what it says about the day it was saved. */
const TEMPLATE = LIST_COLUMNS.filter(([key]) => key !== 'week' && key !== 'shown').map(([, name]) => name);

const saveTemplate = async () => saveFile(say.templateFile, await emptySheet(TEMPLATE), spreadsheetList.type);

/** One function for all draws: the focus goes there when it comes, and not again while one types elsewhere. */
const focusOnce = (link: HTMLAnchorElement | null) => link?.focus();

/** A schedule as somebody has it, read line by line, looked at and corrected, and then taken in one act. */
export function PasteSchedule({ courses, chosen, locale }: Props) {
  const { submit, errors, message, busy } = useSubmit();
  const [course, setCourse] = useState(chosen);
  const [text, setText] = useKept('schedule', '');
  const [drafts, setDrafts] = useState<readonly Draft[]>();
  const [fileError, setFileError] = useState<string>();
  const [result, setResult] = useState<Taken>();
  const dayLabel = (date: string) => {
    try {
      return dateLabel(Temporal.PlainDate.from(date), 'short', locale);
    } catch {
      return date;
    }
  };
  const takeFile = async (file: string | undefined) => {
    if (file === undefined) return;
    const answer = await callApi<{ text: string }>('POST', `/api/courses/${course}/schedule/file`, { file });
    setFileError(answer.ok ? undefined : (answer.fields.file ?? answer.message));
    if (!answer.ok) return;
    setDrafts(undefined);
    setText(answer.value.text);
  };
  const read = async () => {
    const answer = await submit<{ lines: ProposedLine[] }>(
      'POST',
      `/api/courses/${course}/schedule/preview`,
      {
        text,
      },
    );
    if (!answer.ok) return;
    setResult(undefined);
    setDrafts(draftsOf(answer.value.lines));
  };
  const take = async () => {
    const answer = await submit<Taken>(
      'POST',
      `/api/courses/${course}/schedule`,
      { lines: sentLines(drafts ?? []) },
      (taken) => say.taken(taken),
    );
    if (!answer.ok) return;
    setResult(answer.value);
    setDrafts(undefined);
    setText(undefined);
  };
  const taken = (drafts ?? []).filter(isTaken);
  const open = taken.filter(isOpen).length;
  const planning = (drafts ?? []).filter(plans);
  const others = (drafts ?? []).filter((line) => !plans(line));
  const change = (next: Draft) => setDrafts(drafts?.map((line) => (line.key === next.key ? next : line)));
  const row = (line: Draft) => (
    <ScheduleLineRow
      key={line.key}
      line={line}
      course={courses.find(({ id }) => id === course)!}
      dayLabel={dayLabel}
      onChange={change}
    />
  );
  return (
    <>
      <form
        className={styles.form}
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          void read();
        }}
      >
        {courses.length > 1 ? (
          <Select
            label={say.for}
            value={course}
            options={courses.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(id) => {
              setCourse(id);
              setDrafts(undefined);
            }}
          />
        ) : null}
        <Field
          label={say.field}
          hint={say.fieldHint}
          rows={drafts ? 4 : 12}
          value={text}
          onChange={(next) => {
            setDrafts(undefined);
            setText(next);
          }}
          error={errors.text}
        />
        <UploadField
          label={say.file}
          as="schedule"
          accept=".txt,.csv,.tsv,.md,.html,.htm,.xlsx,.docx,.ics"
          error={fileError}
          onFile={(file) => void takeFile(file?.id)}
        />
        <div>
          <Button size="small" startIcon={<DownloadIcon />} onClick={() => void saveTemplate()}>
            {say.template}
          </Button>
        </div>
        <div>
          <Button
            type="submit"
            variant={drafts ? 'outlined' : 'contained'}
            disabled={busy || text.trim() === ''}
          >
            {say.read}
          </Button>
        </div>
      </form>
      {message ? <p role="alert">{message}</p> : null}
      {result ? (
        <div className="notice">
          <p>
            {say.taken(result)}.{' '}
            <Link className="lone" href={`/term?course=${course}`} ref={focusOnce}>
              {say.seeTerm}
            </Link>
          </p>
          {result.left.length > 0 ? <p>{say.left({ n: result.left.length })}</p> : null}
          <ul>
            {result.left.map((one) => (
              <li key={`${one.text} ${one.why}`}>
                {one.text}: {one.why}
              </li>
            ))}
          </ul>
        </div>
      ) : null}
      {drafts ? (
        <section aria-label={say.proposals}>
          <p aria-live="polite">
            {say.summary({
              n: planning.length,
              same: planning.filter(({ state }) => state === 'same').length,
              open,
            })}
          </p>
          <ul className={styles.list}>{planning.map(row)}</ul>
          {others.length > 0 ? (
            <details>
              <summary>{say.others({ n: others.length })}</summary>
              <ul className={styles.list}>{others.map(row)}</ul>
            </details>
          ) : null}
          <div className={styles.foot}>
            <Button variant="contained" disabled={busy || taken.length === 0 || open > 0} onClick={take}>
              {say.takeAll({ n: taken.length })}
            </Button>
            {open > 0 ? <span>{say.stillOpen({ n: open })}</span> : null}
          </div>
        </section>
      ) : null}
    </>
  );
}

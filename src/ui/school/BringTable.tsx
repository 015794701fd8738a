'use client';
import DownloadIcon from '@mui/icons-material/FileDownloadOutlined';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { emptySheet } from '@/core/exchange/emptySheet';
import { spreadsheetList } from '@/core/exchange/list/spreadsheetList';
import { schoolTableTexts as say } from '@/core/texts/schoolTables';
import { callApi } from '../controls/callApi';
import { Field } from '../controls/Field';
import { saveFile } from '../controls/saveFile';
import { UploadField } from '../controls/UploadField';
import { useSubmit } from '../controls/useSubmit';
import { FormBox } from './FormBox';
import styles from './School.module.css';

type Line = Readonly<{ line: number; words: string }>;
type Preview = Readonly<{
  fresh: readonly Line[];
  same: number;
  faults: readonly Readonly<{ line: number; message: string }>[];
}>;
/** What a table can hold, each with the heads of its template. */
type Props = Readonly<{
  templates: readonly Readonly<{ kind: string; name: string; heads: readonly string[] }>[];
}>;

/** So many lines of a table are named. */
const MOST_NAMED = 50;

const saveTemplate = async (kind: string, heads: readonly string[]) =>
  saveFile(say.templateFile({ kind }), await emptySheet(heads), spreadsheetList.type);

function Lines({ title, lines }: { title: string; lines: readonly Line[] }) {
  return lines.length === 0 ? null : (
    <>
      <h3>{title}</h3>
      <ul>
        {lines.slice(0, MOST_NAMED).map(({ line, words }) => (
          <li key={line}>{say.line({ line, words })}</li>
        ))}
        {lines.length > MOST_NAMED ? <li>{say.more({ n: lines.length - MOST_NAMED })}</li> : null}
      </ul>
    </>
  );
}

/** People, courses, sections or staff from a table, looked at line by line before anything is added. */
export function BringTable({ templates }: Props) {
  const { submit, errors, message, busy } = useSubmit();
  const [text, setText] = useState('');
  const [fileError, setFileError] = useState<string>();
  const [preview, setPreview] = useState<Preview>();
  const take = (next: string) => {
    setPreview(undefined);
    setText(next);
  };
  const takeFile = async (file: string | undefined) => {
    if (file === undefined) return;
    const answer = await callApi<{ text: string }>('POST', '/api/tables/file', { file });
    setFileError(answer.ok ? undefined : (answer.fields.file ?? answer.message));
    if (answer.ok) take(answer.value.text);
  };
  const look = async () => {
    const answer = await submit<Preview>('POST', '/api/tables/preview', { text });
    if (answer.ok) setPreview(answer.value);
  };
  const add = async () => {
    const leaveOut = (preview?.faults.length ?? 0) > 0;
    const answer = await submit<{ added: number }>('POST', '/api/tables', { text, leaveOut }, ({ added }) =>
      say.taken({ fresh: added }),
    );
    if (answer.ok) take('');
  };
  const fresh = preview?.fresh.length ?? 0;
  return (
    <div className={styles.page}>
      <FormBox
        action={fresh > 0 ? say.take({ fresh, faults: preview!.faults.length }) : say.look}
        onSubmit={fresh > 0 ? add : look}
        message={message}
        disabled={busy || text.trim() === ''}
        look={fresh === 0}
      >
        <Field
          label={say.field}
          hint={say.fieldHint}
          rows={10}
          value={text}
          error={errors.text}
          onChange={take}
        />
        <UploadField
          label={say.file}
          as="schedule"
          accept=".csv,.tsv,.txt,.xlsx"
          error={fileError}
          onFile={(file) => void takeFile(file?.id)}
        />
        <div aria-live="polite">
          {preview ? (
            <div className="notice">
              <p>{say.report({ fresh, same: preview.same, faults: preview.faults.length })}</p>
              <Lines
                title={say.wrong}
                lines={preview.faults.map(({ line, message: words }) => ({ line, words }))}
              />
              <Lines title={say.fresh} lines={preview.fresh} />
            </div>
          ) : null}
        </div>
      </FormBox>
      <section className={styles.section} aria-labelledby="templates">
        <h2 id="templates">{say.templates}</h2>
        <p className="soft">{say.hint}</p>
        <ul className={styles.list}>
          {templates.map(({ kind, name, heads }) => (
            <li key={kind}>
              <span>
                <Button
                  size="small"
                  startIcon={<DownloadIcon />}
                  onClick={() => void saveTemplate(kind, heads)}
                >
                  {name}
                </Button>
                <br />
                <span className="soft">{heads.join(' · ')}</span>
              </span>
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}

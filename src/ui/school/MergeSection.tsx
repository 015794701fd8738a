'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { MergePreview } from '@/core/frame/mergePreview';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { memberTexts } from '@/core/texts/members';
import { mergeTexts as say } from '@/core/texts/merge';
import { Select } from '../controls/Select';
import { useSubmit } from '../controls/useSubmit';
import { FormBox } from './FormBox';
import styles from './School.module.css';

type Section = Readonly<{ id: string; name: string }>;

const linesOf = ({
  from,
  into,
  students,
  classes,
  waiting,
  entries,
  sheets,
  taken,
  outlets,
}: MergePreview) => [
  say.students({ n: students, into }),
  ...(classes > 0 ? [say.classes({ n: classes, from })] : []),
  ...(waiting.length > 0 ? [say.waiting({ titles: waiting, into })] : []),
  ...(entries.length > 0 ? [say.entries({ titles: entries, into })] : []),
  ...(sheets.length > 0 ? [say.sheets({ titles: sheets, taken })] : []),
  ...(outlets.length > 0 ? [say.outlets({ names: outlets, into })] : []),
];

/** Merges a section into another of its course, once what that does has been seen. */
export function MergeSection({
  section,
  others,
}: Readonly<{ section: Section; others: readonly Section[] }>) {
  const { submit, errors, message, busy } = useSubmit();
  const [into, setInto] = useState(others[0]!.id);
  const [seen, setSeen] = useState<MergePreview>();
  const path = `/api/sections/${section.id}/merge`;
  const look = async () => {
    const answer = await submit<MergePreview>('POST', `${path}/preview`, { into });
    if (answer.ok) setSeen(answer.value);
  };
  const merge = () =>
    submit('POST', path, { into }, () =>
      frameHistoryTexts.mergedSections({ from: section.name, into: seen?.into ?? '' }),
    );
  return (
    <FormBox
      summary={say.open}
      action={seen ? say.act({ from: seen.from, into: seen.into }) : say.look}
      onSubmit={seen ? merge : look}
      message={message}
      disabled={busy}
      look={!seen}
    >
      <Select
        label={say.into}
        value={into}
        onChange={(value) => {
          setInto(value);
          setSeen(undefined);
        }}
        error={errors.into}
        options={others.map(({ id, name }) => ({ value: id, label: name }))}
      />
      {seen ? (
        <div className={`notice ${styles.pending}`}>
          <ul>
            {linesOf(seen).map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
          <div>
            <Button size="small" variant="outlined" onClick={() => setSeen(undefined)}>
              {memberTexts.keep}
            </Button>
          </div>
        </div>
      ) : null}
    </FormBox>
  );
}

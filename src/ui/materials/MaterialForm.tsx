'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { MATERIAL_KINDS } from '@/core/materials/material';
import type { MaterialKind } from '@/core/materials/material';
import { materialTexts as say } from '@/core/texts/materials';
import { panelTexts } from '@/core/texts/term';
import { timeLabel } from '@/core/time/dateLabels';
import { readTime } from '@/core/time/typedTime';
import { AttachFile } from '../controls/AttachFile';
import { Field } from '../controls/Field';
import { DayField } from '../days/DayField';
import { Select } from '../controls/Select';
import { useSubmit } from '../controls/useSubmit';
import { RichTextField } from '../entries/RichTextField';
import { TimeField } from '../entries/TimeField';
import styles from './Materials.module.css';
import type { OutlineRow } from './outlineView';

const KINDS = MATERIAL_KINDS.map((value) => ({ value, label: say.kinds[value] }));
const WITHOUT_ADDRESS = new Set<MaterialKind>(['unit', 'page']);
const WITH_TEXT = new Set<MaterialKind>(['unit', 'page', 'topic', 'assignment', 'test']);

/** Adding to an outline, or changing what stands in it. */
export function MaterialForm({
  course,
  row,
  units,
  onDone,
}: {
  course: string;
  /** What is changed; absent while it is new. */
  row?: OutlineRow;
  units: readonly OutlineRow[];
  onDone: () => void;
}) {
  const { submit, errors, message, busy } = useSubmit();
  const [day = '', time = ''] = (row?.visibleFrom ?? '').split('T');
  const [value, setValue] = useState({
    kind: row?.kind ?? ('webLink' as MaterialKind),
    title: row?.title ?? '',
    url: row?.url ?? '',
    text: row?.text ?? '',
    file: row?.file,
    parent: row?.parent ?? '',
    day,
    time: time || '8:00',
  });
  const set = (changes: Partial<typeof value>) => setValue({ ...value, ...changes });
  const clock = readTime(value.time);
  const withAddress = !WITHOUT_ADDRESS.has(value.kind) && value.file === undefined;
  const unclear = value.day !== '' && clock.kind !== 'time';
  const save = async () => {
    if (unclear) return;
    const visibleFrom =
      value.day && clock.kind === 'time' ? `${value.day}T${timeLabel(clock.time)}` : undefined;
    const content = {
      title: value.title,
      url: withAddress ? value.url.trim() : '',
      file: value.file,
      text: WITH_TEXT.has(value.kind) ? value.text : '',
      visibleFrom,
    };
    const answer = row
      ? await submit('PUT', `/api/materials/${row.id}`, content, () => say.changed({ title: value.title }))
      : await submit(
          'POST',
          `/api/courses/${course}/materials`,
          { ...content, kind: value.kind, parent: value.parent || undefined },
          () => say.added({ title: value.title }),
        );
    if (answer.ok) onDone();
  };
  return (
    <form
      className={styles.form}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      {row ? null : (
        <div className={styles.pair}>
          <Select label={say.kind} value={value.kind} options={KINDS} onChange={(kind) => set({ kind })} />
          <Select
            label={say.unit}
            value={value.parent}
            options={[{ value: '', label: say.top }, ...units.map((u) => ({ value: u.id, label: u.title }))]}
            onChange={(parent) => set({ parent })}
            error={errors.parent}
          />
        </div>
      )}
      <Field
        label={say.name}
        value={value.title}
        onChange={(title) => set({ title })}
        error={errors.title}
        autoFocus
      />
      {withAddress ? (
        <Field
          label={say.address}
          type="url"
          value={value.url}
          onChange={(url) => set({ url })}
          error={errors.url}
        />
      ) : null}
      {value.file === undefined ? null : (
        <AttachFile label={say.replaceFile} onFile={({ id }) => set({ file: id })} error={errors.file} />
      )}
      {WITH_TEXT.has(value.kind) ? (
        <RichTextField label={say.text} value={value.text} onChange={(text) => set({ text })} />
      ) : null}
      <div className={styles.pair}>
        <DayField
          label={say.visibleFrom}
          value={value.day}
          onChange={(next) => set({ day: next })}
          hint={say.atOnce}
          error={errors.visibleFrom}
        />
        <TimeField
          label={say.visibleTime}
          value={value.time}
          onChange={(next) => set({ time: next })}
          error={value.day !== '' && clock.kind === 'unreadable' ? panelTexts.errors.time : undefined}
          readings={
            value.day !== '' && clock.kind === 'ask'
              ? clock.readings.map((time) => timeLabel(time))
              : undefined
          }
        />
      </div>
      {message ? <p role="alert">{message}</p> : null}
      <div className={styles.buttons}>
        <Button type="submit" variant="contained" disabled={busy}>
          {row ? say.save : say.addNow}
        </Button>
        <Button variant="outlined" onClick={onDone}>
          {panelTexts.cancel}
        </Button>
      </div>
    </form>
  );
}

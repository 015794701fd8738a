'use client';
import type { ClassNumber } from '@/core/time/classNumber';
import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { pacingTexts } from '@/core/texts/pacing';
import { panelTexts } from '@/core/texts/term';
import { Field } from '../controls/Field';
import { DayField } from '../days/DayField';
import { Select } from '../controls/Select';
import { ClassDateFields } from './ClassDateFields';
import styles from './EntryForm.module.css';
import type { FormFields } from './fieldsOf';
import type { PanelCourse } from './panelData';
import { TimeField } from './TimeField';

// Few forms are about work that is due: what it needs comes with the first.
const DueLoad = dynamic(() => import('../load/DueLoad').then((module) => module.DueLoad), { ssr: false });

type Props = Readonly<{
  /** Of work that stands already. */
  id: string | undefined;
  fields: FormFields;
  dayWords: (date: string) => string | undefined;
  courses: readonly PanelCourse[];
  classWords: (number: ClassNumber, edge: 'start' | 'end') => string | undefined;
}>;

export function AssignmentFields({ id, fields, dayWords, courses, classWords }: Props) {
  const { draft, text, time } = fields;
  const course = Object.keys(draft.courses)[0];
  const more: string[] = [
    draft.lateWork,
    draft.handInAgain,
    draft.opensDay,
    draft.closesDay,
    draft.latePolicy,
    draft.points,
    draft.effortHours,
    draft.pacedBy,
  ];
  return (
    <>
      <DayField
        label={panelTexts.setOn}
        hint={dayWords(draft.setOn) ?? panelTexts.setOnHint}
        {...text('setOn')}
      />
      <div className={styles.row}>
        <DayField label={panelTexts.dueDay} hint={dayWords(draft.day)} {...text('day')} />
        <TimeField label={panelTexts.dueTime} hint={panelTexts.dueTimeHint} {...time('dueTime')} />
      </div>
      {course && draft.day ? (
        <DueLoad course={course} entry={id} day={draft.day} onChoose={(day) => fields.set({ day })} />
      ) : null}
      <ClassDateFields fields={fields} classWords={classWords} />
      <Field label={panelTexts.handIn} hint={panelTexts.handInHint} {...text('handIn')} />
      <details open={more.some((value) => value !== '') || draft.extensions.length > 0}>
        <summary>{panelTexts.moreDates}</summary>
        <div className={styles.inner}>
          <div className={styles.row}>
            <DayField label={panelTexts.opens} hint={panelTexts.opensHint} {...text('opensDay')} />
            <TimeField label={panelTexts.time} {...time('opensTime')} />
          </div>
          <div className={styles.row}>
            <DayField label={panelTexts.closes} hint={panelTexts.closesHint} {...text('closesDay')} />
            <TimeField label={panelTexts.time} {...time('closesTime')} />
          </div>
          <div className={styles.row}>
            <Field label={panelTexts.points} {...text('points')} />
            <Field label={panelTexts.effortHours} {...text('effortHours')} />
          </div>
          <PacingFields fields={fields} />
          <LateFields fields={fields} />
          <ExtensionFields fields={fields} courses={courses} />
        </div>
      </details>
    </>
  );
}

const options = <V extends string>(labels: Readonly<Record<V, string>>) =>
  (Object.keys(labels) as V[]).map((value) => ({ value, label: labels[value] }));

/** Whether it is due by each student's own start. */
function PacingFields({ fields }: { fields: FormFields }) {
  const { draft, set, text, errors } = fields;
  return (
    <>
      <Select
        label={pacingTexts.field}
        value={draft.pacedBy}
        options={options(pacingTexts.choices)}
        onChange={(pacedBy) => set({ pacedBy })}
        error={errors['pacing.unit']}
      />
      {draft.pacedBy === '' ? null : (
        <Field
          label={pacingTexts.countField({ unit: draft.pacedBy })}
          hint={pacingTexts.hint}
          {...text('pacedCount')}
        />
      )}
    </>
  );
}

/** Whether late work is taken, and whether it may be handed in again. */
function LateFields({ fields }: { fields: FormFields }) {
  const { draft, set, text, errors } = fields;
  return (
    <>
      <Select
        label={panelTexts.lateWork}
        value={draft.lateWork}
        options={options(panelTexts.lateWorkChoices)}
        onChange={(lateWork) => set({ lateWork })}
        error={errors.lateWork}
      />
      <Select
        label={panelTexts.handInAgain}
        value={draft.handInAgain}
        options={options(panelTexts.handInAgainChoices)}
        onChange={(handInAgain) => set({ handInAgain })}
      />
      <Field label={panelTexts.latePolicyMore} rows={2} {...text('latePolicy')} />
    </>
  );
}

/** Later due times for some students; each sees only their own. */
function ExtensionFields({ fields, courses }: { fields: FormFields; courses: readonly PanelCourse[] }) {
  const { draft, set, errors, readings } = fields;
  const { extensions } = draft;
  const students = courses.filter((c) => draft.courses[c.id]).flatMap((c) => c.roster);
  const change = (at: number, changes: Partial<(typeof extensions)[number]>) =>
    set({ extensions: extensions.map((e, i) => (i === at ? { ...e, ...changes } : e)) });
  return (
    <fieldset className={styles.links}>
      <legend>{panelTexts.extensions}</legend>
      {extensions.map((extension, i) => (
        <div key={i} className={styles.link}>
          <Select
            label={panelTexts.extensionFor({ n: i + 1 })}
            value={extension.person}
            options={[
              { value: '', label: panelTexts.chooseStudent },
              ...students.map(({ id, name }) => ({ value: id, label: name })),
            ]}
            onChange={(person) => change(i, { person })}
            error={errors[`extensions.${i}.person`]}
          />
          <div className={styles.row}>
            <DayField
              label={panelTexts.extensionDay({ n: i + 1 })}
              value={extension.day}
              onChange={(day) => change(i, { day })}
              error={errors[`extensions.${i}.day`]}
            />
            <TimeField
              label={panelTexts.extensionTime({ n: i + 1 })}
              value={extension.time}
              onChange={(time) => change(i, { time })}
              error={errors[`extensions.${i}.time`]}
              readings={readings(`extensions.${i}.time`)}
            />
          </div>
          <Button
            size="small"
            aria-label={panelTexts.removeExtension({ n: i + 1 })}
            onClick={() => set({ extensions: extensions.filter((_, j) => j !== i) })}
          >
            {panelTexts.remove}
          </Button>
        </div>
      ))}
      <div>
        <Button
          size="small"
          variant="outlined"
          onClick={() =>
            set({ extensions: [...extensions, { person: '', day: draft.day, time: draft.dueTime }] })
          }
        >
          {panelTexts.addExtension}
        </Button>
      </div>
    </fieldset>
  );
}

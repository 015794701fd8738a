'use client';
import { useState } from 'react';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { schoolTexts } from '@/core/texts/school';
import { Field } from '../controls/Field';
import { DayField } from '../days/DayField';
import { CycleFields } from './CycleFields';
import type { CycleDraft } from './cycleDraft';
import { cycleOf } from './cycleDraft';
import { FormBox } from './FormBox';
import styles from './School.module.css';
import { useSubmit } from '../controls/useSubmit';

export type TermFields = Readonly<{
  name: string;
  startsOn: string;
  endsOn: string;
  tzid: string;
  cycle: CycleDraft;
}>;
type Effects = Parameters<typeof schoolTexts.effects>[0];

/** A new term, or, with `term`, another name, other dates or another zone for one: what that changes is shown first. */
export function TermForm({ fields, term }: { fields: TermFields; term?: string }) {
  const { submit, errors, message, busy } = useSubmit();
  const [value, setValue] = useState(fields);
  const [effects, setEffects] = useState<Effects>();
  const input = { ...value, cycle: cycleOf(value.cycle) };
  const field = (key: Exclude<keyof TermFields, 'cycle'>) => ({
    value: value[key],
    onChange: (text: string) => {
      setEffects(undefined);
      setValue({ ...value, [key]: text });
    },
    error: errors[key],
  });
  const add = async () => {
    const answer = await submit<{ name: string }>('POST', '/api/terms', input, ({ name }) =>
      frameHistoryTexts.addedTerm({ name }),
    );
    if (answer.ok) setValue(fields);
  };
  const look = async () => {
    const answer = await submit<Effects>('POST', `/api/terms/${term}/effects`, input);
    if (answer.ok) setEffects(answer.value);
  };
  const change = async () => {
    const answer = await submit('PUT', `/api/terms/${term}`, input, () =>
      frameHistoryTexts.changedTerm({ name: value.name }),
    );
    if (answer.ok) setEffects(undefined);
  };
  const said = effects && schoolTexts.effects(effects);
  return (
    <FormBox
      summary={term ? schoolTexts.changeTerm({ name: fields.name }) : schoolTexts.addTerm}
      action={!term ? schoolTexts.saveTerm : effects ? schoolTexts.saveChanges : schoolTexts.seeEffects}
      onSubmit={!term ? add : effects ? change : look}
      message={message}
      disabled={busy}
      look={term !== undefined && !effects}
    >
      <Field label={schoolTexts.termName} {...field('name')} />
      <div className={styles.row}>
        <DayField label={schoolTexts.startsOn} {...field('startsOn')} />
        <DayField label={schoolTexts.endsOn} {...field('endsOn')} />
      </div>
      <Field label={schoolTexts.zone} {...field('tzid')} />
      <CycleFields
        value={value.cycle}
        errors={errors}
        onChange={(cycle) => {
          setEffects(undefined);
          setValue({ ...value, cycle });
        }}
      />
      <div aria-live="polite">
        {said ? (
          <ul className="notice">
            {(said.length > 0 ? said : [schoolTexts.noEffects]).map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        ) : null}
      </div>
    </FormBox>
  );
}

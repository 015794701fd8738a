'use client';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { panelTexts } from '@/core/texts/term';
import { Field } from '../controls/Field';
import { DayField } from '../days/DayField';
import { Select } from '../controls/Select';
import styles from './EntryForm.module.css';
import type { RepeatDraft } from './entryDraft';
import type { FormFields } from './fieldsOf';

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

const optionsOf = <T extends string>(texts: Readonly<Record<T, string>>, keys: readonly T[]) =>
  keys.map((value): { value: string; label: string } => ({ value, label: texts[value] }));

/** How an event repeats, and how long. */
export function RepeatFields({ fields: { draft, set, errors } }: { fields: FormFields }) {
  const { repeat } = draft;
  const change = (changes: Partial<RepeatDraft>) => set({ repeat: { ...repeat, ...changes } });
  const kinds: readonly RepeatDraft['kind'][] =
    repeat.kind === 'own' ? ['own', 'none'] : ['none', 'days', 'weeks', 'monthDay', 'monthWeekday'];
  const repeats = repeat.kind !== 'none' && repeat.kind !== 'own';
  return (
    <>
      <Select
        label={panelTexts.repeats}
        value={repeat.kind}
        options={optionsOf(panelTexts.repeatKinds, kinds)}
        onChange={(kind) => change({ kind: kind as RepeatDraft['kind'] })}
        error={errors.rrule}
      />
      {repeat.kind === 'none' ? null : (
        <FormControlLabel
          control={<Checkbox checked={repeat.skips} onChange={(e) => change({ skips: e.target.checked })} />}
          label={panelTexts.skipsClosures}
        />
      )}
      {repeats ? (
        <>
          {repeat.kind === 'weeks' ? (
            <div role="group" aria-label={panelTexts.onWeekdays} className={styles.weekdays}>
              {WEEKDAYS.map((name, i) => (
                <FormControlLabel
                  key={name}
                  control={
                    <Checkbox
                      checked={repeat.weekdays.includes(i + 1)}
                      onChange={() =>
                        change({
                          weekdays: repeat.weekdays.includes(i + 1)
                            ? repeat.weekdays.filter((day) => day !== i + 1)
                            : [...repeat.weekdays, i + 1],
                        })
                      }
                    />
                  }
                  label={name}
                />
              ))}
            </div>
          ) : null}
          <div className={styles.row}>
            <Field
              label={panelTexts.every}
              value={repeat.every}
              onChange={(every) => change({ every })}
              error={errors.every}
            />
            <Select
              label={panelTexts.repeatEnds}
              value={repeat.ends}
              options={optionsOf(panelTexts.repeatEndKinds, ['term', 'date', 'count'])}
              onChange={(ends) => change({ ends: ends as RepeatDraft['ends'] })}
            />
          </div>
          {repeat.ends === 'date' ? (
            <DayField
              label={panelTexts.until}
              value={repeat.until}
              onChange={(until) => change({ until })}
              error={errors.until}
            />
          ) : null}
          {repeat.ends === 'count' ? (
            <Field
              label={panelTexts.count}
              value={repeat.count}
              onChange={(count) => change({ count })}
              error={errors.count}
            />
          ) : null}
        </>
      ) : null}
    </>
  );
}

'use client';
import Button from '@mui/material/Button';
import { schoolTexts } from '@/core/texts/school';
import { Choice } from '../controls/Choice';
import { Field } from '../controls/Field';
import { Ticks } from '../controls/Ticks';
import { DayField } from '../days/DayField';
import type { CycleDraft } from './cycleDraft';
import styles from './School.module.css';

type Props = Readonly<{
  value: CycleDraft;
  onChange: (value: CycleDraft) => void;
  errors: Readonly<Record<string, string>>;
}>;

/** Which days rotate over a term, what a closed day does to its own, and dates that are given another. */
export function CycleFields({ value, onChange, errors }: Props) {
  const set = (more: Partial<CycleDraft>) => onChange({ ...value, ...more });
  const errorOf = (field: string) =>
    Object.entries(errors).find(([key]) => key === field || key.startsWith(`${field}.`))?.[1];
  const givenError = errorOf('cycle.given');
  return (
    <>
      <Field
        label={schoolTexts.cycle}
        hint={schoolTexts.cycleHint}
        value={value.days}
        onChange={(days) => set({ days })}
        error={errorOf('cycle.days') ?? errors.cycle}
      />
      {value.days.trim() === '' ? null : (
        <>
          <Ticks
            legend={schoolTexts.schoolDays}
            options={schoolTexts.weekdays.map((label, i) => ({ value: String(i + 1), label }))}
            ticked={value.weekdays.map(String)}
            onChange={(ticked) => set({ weekdays: ticked.map(Number).sort() })}
            error={errorOf('cycle.weekdays')}
            inline
          />
          <Choice
            label={schoolTexts.onClosure}
            value={value.onClosure}
            options={[
              { value: 'skip', label: schoolTexts.cycleSkips },
              { value: 'use', label: schoolTexts.cycleUses },
            ]}
            onChange={(onClosure) => set({ onClosure })}
            column
          />
          {value.given.map((one, i) => {
            const change = (more: Partial<typeof one>) =>
              set({ given: value.given.map((other, n) => (n === i ? { ...other, ...more } : other)) });
            return (
              <div className={styles.row} key={i}>
                <DayField
                  label={schoolTexts.givenDate}
                  value={one.date}
                  onChange={(date) => change({ date })}
                />
                <Field label={schoolTexts.givenDay} value={one.day} onChange={(day) => change({ day })} />
              </div>
            );
          })}
          {givenError ? (
            <p role="alert" className={styles.error}>
              {givenError}
            </p>
          ) : null}
          <Button
            size="small"
            sx={{ justifySelf: 'start' }}
            onClick={() => set({ given: [...value.given, { date: '', day: '' }] })}
          >
            {schoolTexts.addGiven}
          </Button>
        </>
      )}
    </>
  );
}

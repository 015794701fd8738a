'use client';
import type { ReminderKind } from '@/core/outlets/outlet';
import { DETAILS, REMINDER_KINDS } from '@/core/outlets/outlet';
import { publishTexts as say } from '@/core/texts/publish';
import { Select } from '../controls/Select';
import styles from './Publish.module.css';
import { Tick } from '../controls/Ticks';

export const options = <T extends string>(texts: Readonly<Record<T, string>>, order: readonly T[]) =>
  order.map((value) => ({ value, label: texts[value] }));

type Composed = Readonly<{
  tags: boolean;
  detail: (typeof DETAILS)[number];
  back: string;
  reminders: Readonly<Record<ReminderKind, string>>;
}>;

/** What every feed has to choose: how much it tells, how far back, with which reminders. */
export function ComposeFields({
  value,
  onChange,
  kinds = REMINDER_KINDS,
  withReminders,
}: {
  value: Composed;
  onChange: (changes: Partial<Composed>) => void;
  kinds?: readonly ReminderKind[];
  withReminders: boolean;
}) {
  return (
    <>
      <Select
        label={say.detail}
        value={value.detail}
        options={options(say.details, DETAILS)}
        onChange={(detail) => onChange({ detail })}
      />
      <Select
        label={say.back}
        value={value.back}
        options={options(say.backs, ['all', '28', '7', '0'] as const)}
        onChange={(back) => onChange({ back })}
      />
      <Tick label={say.tags} checked={value.tags} onChange={(tags) => onChange({ tags })} />
      {withReminders ? (
        <fieldset className={styles.ticks}>
          <legend>{say.reminders}</legend>
          <p className="soft">{say.remindersLead}</p>
          {kinds.map((kind) => (
            <Select
              key={kind}
              label={say.reminderKinds[kind]}
              value={value.reminders[kind]}
              options={options(say.reminderTimes, ['', '15', '60', '1440', '4320', '10080'] as const)}
              onChange={(minutes) => onChange({ reminders: { ...value.reminders, [kind]: minutes } })}
            />
          ))}
        </fieldset>
      ) : null}
    </>
  );
}

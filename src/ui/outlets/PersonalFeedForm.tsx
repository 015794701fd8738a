'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { PersonalKind, ReminderKind, DETAILS } from '@/core/outlets/outlet';
import { PERSONAL_KINDS } from '@/core/outlets/outlet';
import type { PersonalFeedInputJson } from '@/core/outlets/outletInput';
import { historyTexts } from '@/core/texts/history';
import { publishTexts, subscribeTexts as say } from '@/core/texts/publish';
import { useSubmit } from '../controls/useSubmit';
import { ComposeFields, options } from './ComposeFields';
import { remindersFrom } from './outletDraft';
import styles from './Publish.module.css';
import { Ticks } from '../controls/Ticks';

type Choice = Readonly<{
  kinds: readonly PersonalKind[];
  tags: boolean;
  detail: (typeof DETAILS)[number];
  back: string;
  reminders: Readonly<Record<ReminderKind, string>>;
}>;

/** What is in one's own feed, and its address anew; both folded away, since it is right as it is. */
export function PersonalFeedForm({ id, name, start }: { id: string; name: string; start: Choice }) {
  const { submit, errors, message, busy } = useSubmit();
  const [choice, setChoice] = useState(start);
  const save = () => {
    const input: PersonalFeedInputJson = {
      kinds: [...choice.kinds],
      tags: choice.tags,
      detail: choice.detail,
      daysBack: choice.back === 'all' ? undefined : Number(choice.back),
      reminders: remindersFrom(choice.reminders),
    };
    return submit('PUT', '/api/outlets/personal', input, () => historyTexts.changedOutlet({ name }));
  };
  return (
    <>
      <details>
        <summary>{say.choose}</summary>
        <div className={styles.form}>
          <Ticks
            legend={publishTexts.kinds}
            options={options(publishTexts.kindNames, PERSONAL_KINDS)}
            ticked={choice.kinds}
            onChange={(kinds) => setChoice({ ...choice, kinds })}
            error={errors.kinds}
          />
          <ComposeFields
            value={choice}
            onChange={(changes) => setChoice({ ...choice, ...changes })}
            withReminders
          />
          <p role="alert" className={styles.error}>
            {message}
          </p>
          <div>
            <Button variant="contained" disabled={busy} onClick={() => void save()}>
              {say.save}
            </Button>
          </div>
        </div>
      </details>
      <details>
        <summary>{publishTexts.replace}</summary>
        <p className="soft">{say.replaceLead}</p>
        <Button
          variant="outlined"
          disabled={busy}
          onClick={() =>
            void submit('POST', `/api/outlets/${id}/address`, undefined, () =>
              historyTexts.replacedAddress({ name }),
            )
          }
        >
          {publishTexts.replaceNow}
        </Button>
      </details>
    </>
  );
}

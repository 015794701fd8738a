'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { historyTexts } from '@/core/texts/history';
import { signupTexts } from '@/core/texts/signup';
import { formTexts } from '@/core/texts/forms';
import { Choice } from '../controls/Choice';
import { Field } from '../controls/Field';
import { useKept } from '../controls/useKept';
import { useSubmit } from '../controls/useSubmit';
import styles from './NewSheet.module.css';
import type { SheetDraft } from './sheetDraft';
import { sentOffering } from './sheetDraft';
import type { SheetPage } from './SheetForm';
import { SheetForm } from './SheetForm';
import { useSheetDraft } from './useSheetDraft';

type Affected = Readonly<{
  stay: number;
  added: number;
  removed: number;
  affected: readonly Readonly<{ name: string; when: string }>[];
}>;

/** Changing a sheet: what it says of itself is saved at once; other times first show who is affected. */
export function EditSheet({
  page,
  id,
  initial,
  offered,
}: {
  page: SheetPage;
  id: string;
  initial: SheetDraft;
  offered: boolean;
}) {
  const router = useRouter();
  const { submit, errors, message, busy } = useSubmit();
  const [draft, keep] = useKept<SheetDraft>(`sheet-${id}`, initial);
  const [tried, setTried] = useState(false);
  const [affected, setAffected] = useState<Affected>();
  const [others, setOthers] = useState<'keep' | 'cancel'>('keep');
  const [words, setWords] = useState('');
  const change = (changes: Partial<SheetDraft>) => {
    setAffected(undefined);
    keep({ ...draft, ...changes });
  };
  const made = useSheetDraft(draft, change, page);
  const path = `/api/sheets/${id}`;
  const sameTimes = (
    ['typed', 'length', 'gap', 'breaks', 'whole', 'repeat', 'until', 'leftOut'] as const
  ).every((field) => JSON.stringify(draft[field]) === JSON.stringify(initial[field]));
  const leave = () => {
    keep(undefined);
    router.push(`/office-hours/${id}`);
    router.refresh();
  };
  const saveFacts = async (shown: boolean): Promise<boolean> => {
    setTried(true);
    const { facts } = made.facts;
    if (!facts) return false;
    const answer = await submit('PUT', path, { ...facts, offered: shown }, () =>
      historyTexts.changed({ title: draft.title }),
    );
    return answer.ok;
  };
  const body = () =>
    made.typed.offering && { offering: sentOffering(made.typed.offering), others, message: words };
  const save = async () => {
    if (sameTimes) {
      if (await saveFacts(offered)) leave();
      return;
    }
    const times = body();
    if (!times) return;
    if (!affected) {
      const answer = await submit<Affected>('POST', `${path}/times/preview`, times);
      if (answer.ok) setAffected(answer.value);
      return;
    }
    if (!(await saveFacts(offered))) return;
    const answer = await submit('PUT', `${path}/times`, times, () =>
      historyTexts.retimed({ title: draft.title }),
    );
    if (answer.ok) leave();
  };
  return (
    <SheetForm
      page={page}
      draft={draft}
      change={change}
      made={made}
      tried={tried}
      serverErrors={errors}
      onSubmit={() => void save()}
    >
      {affected ? (
        <section className="card" aria-live="polite">
          <p>
            {signupTexts.stays({ stay: affected.stay, added: affected.added, removed: affected.removed })}
          </p>
          {affected.affected.length > 0 ? (
            <>
              <p>
                <b>{signupTexts.affected({ n: affected.affected.length })}</b>
              </p>
              <ul>
                {affected.affected.map(({ name, when }) => (
                  <li key={`${name} ${when}`}>
                    {name}, {when}
                  </li>
                ))}
              </ul>
              <Choice
                label={signupTexts.editTitle({ title: draft.title })}
                value={others}
                options={(['keep', 'cancel'] as const).map((value) => ({
                  value,
                  label: signupTexts.affectedOthers[value],
                }))}
                onChange={setOthers}
                column
              />
              {others === 'cancel' ? (
                <Field label={signupTexts.message} rows={3} value={words} onChange={setWords} />
              ) : null}
            </>
          ) : null}
        </section>
      ) : null}
      {message ? (
        <p role="alert" className={styles.error}>
          {message}
        </p>
      ) : null}
      <div className={styles.buttons}>
        <Button type="submit" variant="contained" disabled={busy}>
          {sameTimes || affected ? signupTexts.save : signupTexts.look}
        </Button>
        {offered ? null : (
          <Button
            variant="outlined"
            disabled={busy}
            onClick={() => void saveFacts(true).then((done) => done && leave())}
          >
            {signupTexts.run.offerDraft}
          </Button>
        )}
        <Button variant="outlined" onClick={leave}>
          {formTexts.cancel}
        </Button>
        <Button
          disabled={busy}
          onClick={() =>
            void submit<{ title: string; told: number }>('DELETE', path, undefined, ({ title, told }) =>
              signupTexts.run.closed({ title, told }),
            ).then((answer) => answer.ok && leave())
          }
        >
          {signupTexts.run.close}
        </Button>
      </div>
    </SheetForm>
  );
}

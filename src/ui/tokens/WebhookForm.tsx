'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { webhookTexts as say } from '@/core/texts/webhooks';
import { CopyField } from '../controls/CopyField';
import { Field } from '../controls/Field';
import { Select } from '../controls/Select';
import { Ticks } from '../controls/Ticks';
import { useSubmit } from '../controls/useSubmit';
import styles from './Tokens.module.css';

type Made = Readonly<{ host: string; secret: string; approved: boolean }>;
type List = keyof typeof say.list;

/** Has an address told of what changes for a token; shows this once with what its deliveries are signed. */
export function WebhookForm({
  tokens,
}: {
  tokens: readonly Readonly<{ id: string; name: string; lists: readonly List[] }>[];
}) {
  const [token, setToken] = useState(tokens[0]?.id ?? '');
  const [url, setUrl] = useState('');
  const [lists, setLists] = useState<readonly string[]>([]);
  const [made, setMade] = useState<Made>();
  const { submit, errors, message, busy } = useSubmit();
  const make = async () => {
    const body = { token, url, ...(lists.length > 0 ? { lists } : {}) };
    const answer = await submit<Made>('POST', '/api/webhooks', body, ({ host, approved }) =>
      approved ? say.made({ host }) : say.madeWaiting({ host }),
    );
    if (!answer.ok) return;
    setMade(answer.value);
    setUrl('');
    setLists([]);
  };
  const read = tokens.find(({ id }) => id === token)?.lists ?? [];
  return (
    <form
      className={styles.form}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void make();
      }}
    >
      {made ? (
        <div className="notice" role="status">
          <p>
            <b>{say.shownOnce}</b>
          </p>
          <CopyField label={say.secret({ host: made.host })} value={made.secret} action={say.copy} />
        </div>
      ) : null}
      <Select
        label={say.token}
        value={token}
        options={tokens.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={(id) => {
          setToken(id);
          setLists([]);
        }}
      />
      <Field label={say.url} hint={say.urlHint} value={url} onChange={setUrl} error={errors.url} />
      <Ticks
        legend={say.lists}
        inline
        options={read.map((list) => ({ value: list, label: say.list[list] }))}
        ticked={lists}
        onChange={setLists}
        error={errors.lists}
      />
      <p role="alert" className={styles.error}>
        {message}
      </p>
      <div>
        <Button type="submit" variant="contained" disabled={busy}>
          {say.make}
        </Button>
      </div>
    </form>
  );
}

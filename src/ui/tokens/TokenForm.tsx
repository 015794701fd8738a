'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { tokenTexts as say } from '@/core/texts/tokens';
import type { Capability } from '@/core/tokens/capability';
import { Choice } from '../controls/Choice';
import { CopyField } from '../controls/CopyField';
import { Field } from '../controls/Field';
import { Select } from '../controls/Select';
import { Ticks } from '../controls/Ticks';
import { useSubmit } from '../controls/useSubmit';
import { DayField } from '../days/DayField';
import styles from './Tokens.module.css';

type Reach = '' | 'read' | 'write';
type Props = Readonly<{
  capabilities: readonly Capability[];
  courses: readonly Readonly<{ id: string; name: string }>[];
}>;

const REACHES = [
  { value: '', label: say.none },
  { value: 'read', label: say.read },
  { value: 'write', label: say.write },
] as const satisfies readonly { value: Reach; label: string }[];

/** Makes a token, and shows what it consists of this once. */
export function TokenForm({ capabilities, courses }: Props) {
  const [name, setName] = useState('');
  const [reach, setReach] = useState<Readonly<Partial<Record<Capability, Reach>>>>({});
  const [all, setAll] = useState<'all' | 'some'>('all');
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const [expires, setExpires] = useState('');
  const [origins, setOrigins] = useState('');
  const [made, setMade] = useState<Readonly<{ name: string; token: string }>>();
  const { submit, errors, message, busy } = useSubmit();
  const make = async () => {
    const body = {
      name,
      scopes: capabilities.flatMap((one) => (reach[one] ? [`${reach[one]}:${one}`] : [])),
      ...(all === 'some' ? { courses: chosen } : {}),
      ...(expires ? { expires } : {}),
      origins: origins.split(/\s+/).filter(Boolean),
    };
    const answer = await submit<{ name: string; token: string }>('POST', '/api/tokens', body, (token) =>
      say.made({ name: token.name }),
    );
    if (!answer.ok) return;
    setMade(answer.value);
    setName('');
    setReach({});
    setOrigins('');
  };
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
          <CopyField label={say.value({ name: made.name })} value={made.token} action={say.copy} />
        </div>
      ) : null}
      <Field label={say.name} hint={say.nameHint} value={name} onChange={setName} error={errors.name} />
      <fieldset className={styles.scopes}>
        <legend>{say.scopes}</legend>
        {capabilities.map((one) => (
          <Select
            key={one}
            label={say.capability[one]}
            value={reach[one] ?? ''}
            options={REACHES}
            onChange={(value) => setReach({ ...reach, [one]: value })}
          />
        ))}
        {errors.scopes ? <p className={styles.error}>{errors.scopes}</p> : null}
      </fieldset>
      {courses.length > 0 ? (
        <Choice
          label={say.courses}
          value={all}
          options={[
            { value: 'all', label: say.allCourses },
            { value: 'some', label: say.someCourses },
          ]}
          onChange={setAll}
        />
      ) : null}
      {all === 'some' ? (
        <Ticks
          legend={say.someCourses}
          options={courses.map(({ id, name: label }) => ({ value: id, label }))}
          ticked={chosen}
          onChange={setChosen}
          error={errors.courses}
        />
      ) : null}
      <DayField
        label={say.expires}
        hint={say.expiresHint}
        value={expires}
        onChange={setExpires}
        error={errors.expires}
      />
      <Field
        label={say.origins}
        hint={say.originsHint}
        rows={2}
        value={origins}
        onChange={setOrigins}
        error={Object.entries(errors).find(([field]) => field.startsWith('origins'))?.[1]}
      />
      <p role="alert" className={styles.error}>
        {message ?? (all === 'all' ? errors.courses : undefined)}
      </p>
      <div>
        <Button type="submit" variant="contained" disabled={busy}>
          {say.make}
        </Button>
      </div>
    </form>
  );
}

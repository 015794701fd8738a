'use client';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useState } from 'react';
import type { Platform } from '@/core/lti/platform';
import { ltiTexts } from '@/core/texts/lti';
import { CopyField } from '../controls/CopyField';
import { Field } from '../controls/Field';
import { useAct, useSubmit } from '../controls/useSubmit';
import { FormBox } from '../school/FormBox';
import fieldStyles from '../controls/Field.module.css';
import own from './Lti.module.css';
import styles from '../school/School.module.css';

const say = ltiTexts.office;

type Addresses = Readonly<{ login: string; launch: string; keys: string }>;

/** The course sites from which people come: connected by hand, or by registering themselves. */
export function Platforms({
  platforms,
  addresses,
}: Readonly<{ platforms: readonly Platform[]; addresses: Addresses }>) {
  return (
    <section className={styles.section} aria-labelledby="course-sites">
      <h2 id="course-sites">{say.heading}</h2>
      <p className="soft">{say.lead}</p>
      {platforms.length === 0 ? <p className="soft">{say.none}</p> : null}
      {platforms.map((platform) => (
        <PlatformLine key={platform.id} platform={platform} />
      ))}
      <PlatformForm summary={say.add} />
      <Registration />
      <details>
        <summary>{say.values}</summary>
        <div className={own.values}>
          {(
            [
              [say.login, addresses.login],
              [say.launch, addresses.launch],
              [say.keys, addresses.keys],
            ] as const
          ).map(([label, value]) => (
            <div key={label}>
              <div className={fieldStyles.label}>{label}</div>
              <CopyField label={label} value={value} action={say.copy} />
            </div>
          ))}
        </div>
      </details>
    </section>
  );
}

function PlatformLine({ platform }: Readonly<{ platform: Platform }>) {
  const { act, busy } = useAct();
  const { id, name, issuer, accepted, deployments } = platform;
  return (
    <div className={own.site}>
      <p>
        <b>{name}</b> {accepted ? null : say.waiting}
      </p>
      <p className="soft">{issuer}</p>
      <p className="soft">{say.deploymentsLine({ ids: deployments })}</p>
      <div className={styles.buttons}>
        {accepted ? null : (
          <Button
            variant="outlined"
            disabled={busy}
            onClick={() =>
              void act('PUT', `/api/lti/platforms/${id}/acceptance`, undefined, () => say.accepted({ name }))
            }
          >
            {say.accept}
          </Button>
        )}
        <Button
          disabled={busy}
          onClick={() =>
            void act('DELETE', `/api/lti/platforms/${id}`, undefined, () => say.removed({ name }))
          }
        >
          {say.remove}
        </Button>
      </div>
      <PlatformForm key={JSON.stringify(platform)} summary={say.change({ name })} platform={platform} />
    </div>
  );
}

const linesOf = (text: string) =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);

const EMPTY = {
  name: '',
  issuer: '',
  clientId: '',
  deployments: '',
  keysUrl: '',
  authUrl: '',
  tokenUrl: '',
  tokenAudience: '',
  origins: '',
  asksNames: true,
};

const draftOf = ({ deployments, origins, ...rest }: Platform) => ({
  ...rest,
  deployments: deployments.join('\n'),
  origins: origins.join('\n'),
});

/** What the office knows of a site, as the site's own settings show it. */
function PlatformForm({ summary, platform }: Readonly<{ summary: string; platform?: Platform }>) {
  const { submit, errors, message, busy } = useSubmit();
  const [draft, setDraft] = useState(platform ? draftOf(platform) : EMPTY);
  const field = (
    name: Exclude<keyof typeof EMPTY, 'asksNames'>,
    label: string,
    more: Readonly<{ hint?: string; rows?: number; error?: string }> = {},
  ) => (
    <Field
      label={label}
      value={draft[name]}
      onChange={(value) => setDraft({ ...draft, [name]: value })}
      error={errors[name]}
      {...more}
    />
  );
  const listError = (name: string) =>
    Object.entries(errors).find(([key]) => key === name || key.startsWith(`${name}.`))?.[1];
  const save = async () => {
    const { name, issuer, clientId, keysUrl, authUrl, tokenUrl, tokenAudience, asksNames } = draft;
    const body = {
      name,
      issuer,
      clientId,
      keysUrl,
      authUrl,
      tokenUrl,
      tokenAudience,
      asksNames,
      deployments: linesOf(draft.deployments),
      origins: linesOf(draft.origins),
    };
    const path = platform ? `/api/lti/platforms/${platform.id}` : '/api/lti/platforms';
    const saved = await submit<{ name: string }>(platform ? 'PUT' : 'POST', path, body, ({ name: called }) =>
      say.saved({ name: called }),
    );
    if (saved.ok && !platform) setDraft(EMPTY);
  };
  return (
    <FormBox
      summary={summary}
      action={say.save}
      onSubmit={() => void save()}
      message={message}
      disabled={busy}
    >
      {field('name', say.name)}
      {field('issuer', say.issuer)}
      {field('clientId', say.clientId)}
      {field('deployments', say.deployments, { rows: 2, error: listError('deployments') })}
      {field('keysUrl', say.keysUrl)}
      {field('authUrl', say.authUrl)}
      {field('tokenUrl', say.tokenUrl)}
      {field('tokenAudience', say.tokenAudience, { hint: say.tokenAudienceHint })}
      {field('origins', say.origins, { rows: 2, hint: say.originsHint, error: listError('origins') })}
      <FormControlLabel
        control={
          <Checkbox
            checked={draft.asksNames}
            onChange={(event) => setDraft({ ...draft, asksNames: event.target.checked })}
          />
        }
        label={say.asksNames}
      />
      <p className="soft">{say.asksNamesHint}</p>
    </FormBox>
  );
}

function Registration() {
  const { act, busy } = useAct();
  const [url, setUrl] = useState<string>();
  return (
    <details>
      <summary>{say.register}</summary>
      <p className="soft">{say.registerLead}</p>
      {url ? <CopyField label={say.address} value={url} action={say.copy} /> : null}
      <Button
        variant="outlined"
        disabled={busy}
        onClick={async () => {
          const made = await act<{ url: string }>('POST', '/api/lti/registrations', undefined);
          if (made.ok) setUrl(made.value.url);
        }}
      >
        {say.makeAddress}
      </Button>
    </details>
  );
} // prettier-ignore

'use client';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { OutletInputJson } from '@/core/outlets/outletInput';
import type { OutletKind, TimesAs } from '@/core/outlets/outlet';
import { OUTLET_KINDS, TIMES_AS } from '@/core/outlets/outlet';
import { historyTexts } from '@/core/texts/history';
import { listed } from '@/core/texts/entries';
import { publishTexts } from '@/core/texts/publish';
import { panelTexts } from '@/core/texts/term';
import type { FieldErrors } from '../controls/callApi';
import { callApi } from '../controls/callApi';
import { Choice } from '../controls/Choice';
import { Field } from '../controls/Field';
import { useMessages } from '../controls/Messages';

import styles from './Publish.module.css';

/** A course as it can be published. */
type PublishCourse = Readonly<{
  id: string;
  tag: string;
  title: string;
  color: string;
  students: number;
  sections: readonly Readonly<{ id: string; name: string; students: number }>[];
}>;

/** Composes a feed or an embed by ticks; its name follows what is ticked until one is typed. */
export function PublishForm({ courses }: { courses: readonly PublishCourse[] }) {
  const router = useRouter();
  const say = useMessages();
  const [kind, setKind] = useState<'feed' | 'embed'>('feed');
  const [audience, setAudience] = useState<'public' | 'roster'>('public');
  const [ticked, setTicked] = useState<readonly string[]>(courses.slice(0, 1).map((c) => c.id));
  const [sections, setSections] = useState<readonly string[]>([]);
  const [kinds, setKinds] = useState<readonly OutletKind[]>(OUTLET_KINDS);
  const [times, setTimes] = useState<TimesAs>('days');
  const [typedName, setTypedName] = useState<string>();
  const [errors, setErrors] = useState<FieldErrors>({});
  const [message, setMessage] = useState<string>();
  const [busy, setBusy] = useState(false);

  const chosen = courses.filter((c) => ticked.includes(c.id));
  const name = typedName ?? listed(chosen.map((c) => c.title));
  const toggle = <T,>(list: readonly T[], item: T): readonly T[] =>
    list.includes(item) ? list.filter((x) => x !== item) : [...list, item];

  const publish = async () => {
    setBusy(true);
    const offered = new Set(chosen.flatMap((c) => c.sections.map((s) => s.id)));
    const input: OutletInputJson = {
      kind,
      audience,
      name,
      courses: [...ticked],
      sections: sections.filter((id) => offered.has(id)),
      kinds: [...kinds],
      times,
    };
    const answer = await callApi<{ name: string }>('POST', '/api/outlets', input);
    setBusy(false);
    setErrors(answer.ok ? {} : answer.fields);
    setMessage(answer.ok ? undefined : answer.message);
    if (!answer.ok) return;
    setTypedName(undefined);
    say(historyTexts.published(answer.value.name), answer.history);
    router.refresh();
  };

  return (
    <form
      className={`card ${styles.form}`}
      onSubmit={(event) => {
        event.preventDefault();
        void publish();
      }}
    >
      <h2>{publishTexts.newTitle}</h2>
      <Choice
        label={publishTexts.kind}
        value={kind}
        column
        options={[
          { value: 'feed', label: publishTexts.feedLead },
          { value: 'embed', label: publishTexts.embedLead },
        ]}
        onChange={setKind}
      />
      <fieldset className={styles.ticks}>
        <legend>{publishTexts.courses}</legend>
        {courses.map((course) => (
          <FormControlLabel
            key={course.id}
            control={
              <Checkbox
                checked={ticked.includes(course.id)}
                onChange={() => setTicked(toggle(ticked, course.id))}
              />
            }
            label={`${course.tag} ${course.title}`}
          />
        ))}
        {errors.courses ? <p className={styles.error}>{errors.courses}</p> : null}
      </fieldset>
      <Choice
        label={publishTexts.who}
        value={audience}
        column
        options={[
          { value: 'public', label: publishTexts.public },
          { value: 'roster', label: publishTexts.roster },
        ]}
        onChange={setAudience}
      />
      {chosen.some((c) => c.sections.length > 1) ? (
        <fieldset className={styles.ticks}>
          <legend>{publishTexts.sections}</legend>
          {chosen.flatMap((course) =>
            course.sections.map((section) => (
              <FormControlLabel
                key={section.id}
                control={
                  <Checkbox
                    checked={sections.includes(section.id)}
                    onChange={() => setSections(toggle(sections, section.id))}
                  />
                }
                label={`${course.tag} ${section.name}`}
              />
            )),
          )}
        </fieldset>
      ) : null}
      <fieldset className={styles.ticks}>
        <legend>{publishTexts.kinds}</legend>
        {OUTLET_KINDS.map((item) => (
          <FormControlLabel
            key={item}
            control={
              <Checkbox checked={kinds.includes(item)} onChange={() => setKinds(toggle(kinds, item))} />
            }
            label={publishTexts.kindNames[item]}
          />
        ))}
        {errors.kinds ? <p className={styles.error}>{errors.kinds}</p> : null}
      </fieldset>
      {kinds.includes('times') ? (
        <Choice
          label={publishTexts.times}
          value={times}
          column
          options={TIMES_AS.map((value) => ({ value, label: publishTexts.timesAs[value] }))}
          onChange={setTimes}
        />
      ) : null}
      <Field label={publishTexts.name} value={name} onChange={setTypedName} error={errors.name} />
      <p className={audience === 'public' ? 'notice' : 'soft'}>
        <b>{panelTexts.whoSees}: </b>
        {audience === 'public' ? publishTexts.publicLead : publishTexts.rosterLead}
      </p>
      <p role="alert" className={styles.error}>
        {message}
      </p>
      <Button type="submit" variant="contained" disabled={busy}>
        {audience === 'public' ? publishTexts.publishPublic : publishTexts.publish}
      </Button>
    </form>
  );
}

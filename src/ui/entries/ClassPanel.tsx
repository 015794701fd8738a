'use client';
import dynamic from 'next/dynamic';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { Link } from '@/ui/controls/Link';
import { useState } from 'react';
import { classTexts } from '@/core/texts/classes';
import { historyTexts } from '@/core/texts/history';
import { slideTexts } from '@/core/texts/slide';
import { panelTexts } from '@/core/texts/term';
import { Field } from '../controls/Field';
import { useSubmit } from '../controls/useSubmit';
import formStyles from './EntryForm.module.css';
import { draftLinks, sentLinks } from './draftLinks';
import { LinkFields } from './LinkFields';
import { RichTextField } from './RichTextField';
import type { PanelClass } from './panelClass';
import { TrustLines } from '../plan/TrustLines';
import styles from './EntryPanel.module.css';

/** For substitutes alone. */
const CallOff = dynamic(() => import('../plan/CallOff').then((module) => module.CallOff), { ssr: false });

/** A class beside the plan: what is taught in it, written in place by its staff. */
export function ClassPanel({
  cls,
  onDone,
  onSlide,
}: {
  cls: PanelClass;
  onDone: () => void;
  /** Slides what is planned here to later classes; where nothing is, what comes later forward. */
  onSlide: () => void;
}) {
  const { submit, errors, message, busy } = useSubmit();
  const [value, setValue] = useState({
    title: cls.title,
    description: cls.description,
    links: draftLinks(cls.links),
    pinned: cls.pinned,
  });
  const path = `/api/meetings/${cls.meeting}/plan`;
  const save = async () => {
    const body = { ...value, links: sentLinks(value.links) };
    const answer = await submit('PUT', path, body, () => historyTexts.plannedClass({ title: value.title }));
    if (answer.ok) onDone();
  };
  const clear = async () => {
    const answer = await submit('DELETE', path, undefined, () =>
      historyTexts.clearedClass({ title: cls.title }),
    );
    if (answer.ok) onDone();
  };
  return (
    <article className={styles.entry} aria-labelledby="class-title">
      <p className="soft">
        <span className="tag" data-course={cls.color}>
          {cls.tag}
        </span>{' '}
        {cls.name}
      </p>
      <h2 id="class-title">{cls.title || classTexts.none}</h2>
      <p>
        {cls.when}
        {cls.place ? ` · ${cls.place}` : ''}
      </p>
      {cls.cancelled === undefined ? null : <p className="notice">{cls.cancelled}</p>}
      {cls.editable ? (
        <form
          className={formStyles.form}
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            void save();
          }}
        >
          <Field
            label={classTexts.what}
            value={value.title}
            onChange={(title) => setValue({ ...value, title })}
            error={errors.title}
            autoFocus
          />
          <LinkFields
            links={value.links}
            courses={[cls.course]}
            onChange={(links) => setValue({ ...value, links })}
            errors={errors}
          />
          <RichTextField
            value={value.description}
            onChange={(description) => setValue({ ...value, description })}
            label={classTexts.description}
          />
          <FormControlLabel
            control={
              <Checkbox
                checked={value.pinned}
                onChange={(e) => setValue({ ...value, pinned: e.target.checked })}
              />
            }
            label={classTexts.pinned}
          />
          {cls.others ? <p className="soft">{classTexts.also({ list: cls.others })}</p> : null}
          <p className="notice">
            <b>{panelTexts.whoSees}: </b>
            {panelTexts.seesNow({ who: cls.who })}
          </p>
          {message ? (
            <p role="alert" className={formStyles.error}>
              {message}
            </p>
          ) : null}
          <div className={styles.buttons}>
            <Button type="submit" variant="contained" disabled={busy}>
              {panelTexts.saveFor({ who: cls.who })}
            </Button>
            {cls.plan && cls.pinned ? null : (
              <Button variant="outlined" disabled={busy} onClick={onSlide}>
                {cls.plan ? slideTexts.notReached : slideTexts.fill}
              </Button>
            )}
            {cls.title ? (
              <Button variant="outlined" disabled={busy} onClick={clear}>
                {classTexts.clear}
              </Button>
            ) : null}
          </div>
        </form>
      ) : (
        <>
          {cls.description ? (
            <div
              className={`formatted ${styles.text}`}
              dangerouslySetInnerHTML={{ __html: cls.description }}
            />
          ) : null}
          <ul className={styles.links}>
            {cls.links.map((link) => (
              <li key={link.url}>
                <a href={link.url} target="_blank" rel="noopener">
                  {link.label || link.url}
                </a>
              </li>
            ))}
          </ul>
          {cls.callOff ? (
            <CallOff what="class" id={cls.meeting} title={cls.title || cls.name} who={cls.who} />
          ) : null}
        </>
      )}
      <TrustLines key={cls.meeting} of="meetings" id={cls.meeting} />
      <p>
        <Link href={cls.page}>{classTexts.ownPage}</Link>
        {' · '}
        <Link href={cls.daySheet}>{classTexts.daySheet}</Link>
      </p>
    </article>
  );
}

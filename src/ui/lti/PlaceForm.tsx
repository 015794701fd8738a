'use client';
import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import OutlinedInput from '@mui/material/OutlinedInput';
import { useEffect, useId, useRef, useState } from 'react';
import type { PlaceKind } from '@/core/lti/placedInput';
import { ltiTexts } from '@/core/texts/lti';
import { dateLabel } from '@/core/time/dateLabels';
import { isoDay } from '@/core/time/typedDay';
import { callApi } from '../controls/callApi';
import { Choice } from '../controls/Choice';
import { Field } from '../controls/Field';
import fieldStyles from '../controls/Field.module.css';
import { numberIn } from '../controls/numberIn';
import { DayField } from '../days/DayField';
import styles from './Lti.module.css';

const say = ltiTexts.place;

/** Something that can be placed: where it is, and what it is called in the list and in the page. */
export type Placeable = Readonly<{ path: string; label: string; title: string }>;
export type Placeables = Readonly<Record<Exclude<PlaceKind, 'day'>, readonly Placeable[]>>;

type Props = Readonly<{
  id: string;
  placeables: Placeables;
  /** The course that the site's page is of, as addresses of days name it, and its code. */
  course?: Readonly<{ key: string; code: string }>;
  today: string;
  locale: string;
  frames: boolean;
}>;

/** A day's sheet as the page calls it; empty for what is no day yet. */
function dayTitle(day: string, locale: string, code: string | undefined): string {
  const date = isoDay(day);
  return date ? say.sheet(dateLabel(date, 'short', locale), code) : '';
}

const KINDS: readonly PlaceKind[] = ['day', 'hours', 'entry', 'material', 'view', 'embed'];

/** What somebody who writes a page of a course's site puts into it; their browser takes the answer back to the site. */
export function PlaceForm({ id, placeables, course, today, locale, frames }: Props) {
  const [kind, setKind] = useState<PlaceKind>('day');
  const [day, setDay] = useState(today);
  const [chosen, setChosen] = useState<Placeable | null>(null);
  /** As it was typed; before that what is chosen says it. */
  const [title, setTitle] = useState<string>();
  const [how, setHow] = useState<'link' | 'frame'>(frames ? 'frame' : 'link');
  const [height, setHeight] = useState('600');
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({});
  const [message, setMessage] = useState<string>();
  const [answer, setAnswer] = useState<Readonly<{ to: string; jwt: string }>>();
  const [busy, setBusy] = useState(false);
  const search = useId();
  const returning = useRef<HTMLFormElement>(null);

  // Posted by the browser itself, so that the site knows its own person by its own cookies.
  useEffect(() => {
    if (answer) returning.current?.submit();
  }, [answer]);

  const dayPath = `/day/${day}${course ? `?course=${encodeURIComponent(course.key)}` : ''}`;
  const usual = kind === 'day' ? dayTitle(day, locale, course?.code) : (chosen?.title ?? '');
  const send = async (nothing: boolean) => {
    setBusy(true);
    const placed = {
      kind,
      path: kind === 'day' ? dayPath : (chosen?.path ?? ''),
      title: title ?? usual,
      ...(how === 'frame' && frames ? { frame: numberIn(height) } : {}),
    };
    const sent = await callApi<{ to: string; jwt: string }>('POST', `/api/lti/placings/${id}`, nothing ? {} : { placed });
    if (sent.ok) return setAnswer(sent.value);
    setBusy(false);
    setErrors(Object.fromEntries(Object.entries(sent.fields).map(([field, words]) => [field.replace(/^placed\./, ''), words])));
    setMessage(Object.keys(sent.fields).length > 0 ? undefined : sent.message);
  };

  const options = kind === 'day' ? [] : placeables[kind];
  return (
    <>
      <form
        className={styles.form}
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          void send(false);
        }}
      >
        <Choice
          label={say.what}
          column
          value={kind}
          options={KINDS.map((one) => ({ value: one, label: say.kinds[one] }))}
          onChange={(next) => {
            setKind(next);
            setChosen(null);
            setTitle(undefined);
            setErrors({});
          }}
        />
        {kind === 'day' ? (
          <DayField label={say.day} value={day} onChange={setDay} error={errors.path} />
        ) : options.length === 0 ? (
          <p className="soft">{say.none}</p>
        ) : (
          <div>
            <label htmlFor={search} className={fieldStyles.label}>
              {say.which}
            </label>
            <Autocomplete
              key={kind}
              className={styles.search}
              id={search}
              options={options}
              value={chosen}
              onChange={(_, next) => setChosen(next)}
              isOptionEqualToValue={(a, b) => a.path === b.path}
              getOptionKey={({ path }) => path}
              renderInput={({ id: inputId, disabled, slotProps }) => (
                <OutlinedInput
                  id={inputId}
                  disabled={disabled}
                  fullWidth
                  size="small"
                  error={Boolean(errors.path)}
                  {...slotProps.input}
                  slotProps={{ input: slotProps.htmlInput }}
                />
              )}
            />
            {errors.path ? <p className={styles.error}>{errors.path}</p> : null}
          </div>
        )}
        <Field label={say.words} value={title ?? usual} onChange={setTitle} error={errors.title} />
        {frames ? (
          <Choice
            label={say.how}
            value={how}
            options={[
              { value: 'frame', label: say.frame },
              { value: 'link', label: say.link },
            ]}
            onChange={setHow}
          />
        ) : null}
        {frames && how === 'frame' ? (
          <Field label={say.height} value={height} onChange={setHeight} error={errors.frame} width={240} />
        ) : null}
        {kind === 'embed' ? null : <p className="soft">{say.own}</p>}
        <p role="alert" className={styles.error}>
          {message}
        </p>
        <div className={styles.buttons}>
          <Button type="submit" variant="contained" disabled={busy}>
            {say.act}
          </Button>
          <Button disabled={busy} onClick={() => void send(true)}>
            {say.cancel}
          </Button>
        </div>
      </form>
      {answer ? (
        <form ref={returning} method="post" action={answer.to} hidden>
          <input type="hidden" name="JWT" value={answer.jwt} />
        </form>
      ) : null}
    </>
  );
} // prettier-ignore

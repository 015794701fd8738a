'use client';
import Button from '@mui/material/Button';
import { useState, useSyncExternalStore } from 'react';
import type { PersonSettings, PersonSettingsJson } from '@/core/frame/personSettings';
import { LETTER_SORTS, LETTER_WHEN, NEWS_WHEN } from '@/core/mail/letters';
import { COURSE_COLORS } from '@/core/plan/plan';
import { guardianTexts } from '@/core/texts/guardians';
import { reminderTexts } from '@/core/texts/reminders';
import { ownSettingsTexts as say, studentTexts } from '@/core/texts/student';
import { zonesFrom, zoneWords } from '@/core/time/zoneWords';
import { Field } from '../controls/Field';
import { numberIn } from '../controls/numberIn';
import { Select } from '../controls/Select';
import { useSubmit } from '../controls/useSubmit';
import { localeOptions, weekStartOptions } from '../school/SettingsForm';
import styles from './OwnSettings.module.css';

/** The choices, and what a script has chosen besides. */
const reminderOptions = (chosen: string) => {
  const { times } = reminderTexts;
  const known = Object.entries(times).map(([value, label]) => ({ value, label }));
  return chosen in times ? known : [...known, { value: chosen, label: reminderTexts.minutes({ n: chosen }) }];
};

const noChange = () => () => undefined;
const deviceZone = () => Intl.DateTimeFormat().resolvedOptions().timeZone;

type Course = Readonly<{ code: string; tag: string; title: string; color: string }>;

/** What somebody chooses for themselves: how dates are written, where they are, colours, letters. */
export function OwnSettings({
  settings,
  courses,
  zones,
  staff,
}: {
  settings: PersonSettings;
  /** With the colours that they have for everybody. */
  courses: readonly Course[];
  zones: readonly string[];
  /** Whether they are on the staff of a course. */
  staff: boolean;
}) {
  const { submit, errors, message, busy } = useSubmit();
  const [value, setValue] = useState({
    locale: settings.locale ?? '',
    clock: settings.clock ?? 24,
    plain: settings.plain,
    weekStart: settings.weekStart === undefined ? '' : String(settings.weekStart),
    tzid: settings.tzid ?? '',
    colors: settings.colors as Readonly<Record<string, string>>,
    letters: settings.letters,
    contact: settings.contact,
    guardiansRead: settings.guardiansRead,
    remindDue: String(settings.remind.due ?? ''),
    remindBooking: String(settings.remind.booking ?? ''),
  });
  // Known in the browser alone: the list is put in order once it is there.
  const device = useSyncExternalStore(noChange, deviceZone, () => '');
  const save = () => {
    const input: PersonSettingsJson = {
      locale: (value.locale || undefined) as PersonSettingsJson['locale'],
      clock: value.clock === 12 ? 12 : undefined,
      plain: value.plain,
      weekStart: (value.weekStart === ''
        ? undefined
        : Number(value.weekStart)) as PersonSettingsJson['weekStart'],
      tzid: value.tzid || undefined,
      colors: Object.fromEntries(
        Object.entries(value.colors).filter(([, color]) => color !== ''),
      ) as PersonSettingsJson['colors'],
      letters: value.letters,
      contact: value.contact,
      guardiansRead: value.guardiansRead,
      remind: { due: numberIn(value.remindDue), booking: numberIn(value.remindBooking) },
    };
    return submit('PUT', '/api/account', input, () => studentTexts.savedSettings);
  };
  const asSchool = { value: '', label: say.asSchool };
  return (
    <form
      className={`card ${styles.form}`}
      aria-labelledby="own-settings"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <h2 id="own-settings">{say.title}</h2>
      <Select
        label={say.locale}
        value={value.locale}
        options={[asSchool, ...localeOptions]}
        onChange={(locale) => setValue({ ...value, locale })}
        error={errors.locale}
      />
      <Select
        label={say.clock}
        value={String(value.clock)}
        options={([24, 12] as const).map((hours) => ({ value: String(hours), label: say.clocks[hours] }))}
        onChange={(hours) => setValue({ ...value, clock: hours === '12' ? 12 : 24 })}
      />
      <Select
        label={say.weekStart}
        value={value.weekStart}
        options={[asSchool, ...weekStartOptions]}
        onChange={(weekStart) => setValue({ ...value, weekStart })}
        error={errors.weekStart}
      />
      <Select
        label={say.zone}
        value={value.tzid}
        options={[
          { value: '', label: say.noZone },
          ...zonesFrom(zones, device).map((zone) => ({ value: zone, label: zoneWords(zone) })),
        ]}
        onChange={(tzid) => setValue({ ...value, tzid })}
        error={errors.tzid}
      />
      {courses.map(({ code, tag, title, color }) => (
        <div key={code} className={styles.color}>
          <Select
            label={say.color({ course: `${tag} ${title}` })}
            value={value.colors[code] ?? ''}
            options={[
              { value: '', label: say.asAll({ color }) },
              ...COURSE_COLORS.map((c) => ({ value: c, label: c })),
            ]}
            onChange={(own) => setValue({ ...value, colors: { ...value.colors, [code]: own } })}
          />
          <span className="tag" data-course={value.colors[code] || color}>
            {tag}
          </span>
        </div>
      ))}
      <label className={styles.tick}>
        <input
          type="checkbox"
          checked={value.plain}
          onChange={(event) => setValue({ ...value, plain: event.target.checked })}
        />{' '}
        {say.plain}
      </label>
      <h3>{say.letters}</h3>
      <p className="soft">{say.lettersLead}</p>
      {LETTER_SORTS.map((sort) => (
        <Select
          key={sort}
          label={say.sorts[sort]}
          value={value.letters[sort]}
          options={(sort === 'news' ? NEWS_WHEN : LETTER_WHEN).map((when) => ({
            value: when,
            label: say.whens[when],
          }))}
          onChange={(when) => setValue({ ...value, letters: { ...value.letters, [sort]: when } })}
          error={errors[`letters.${sort}`]}
        />
      ))}
      {(
        [
          ['remindDue', 'due'],
          ['remindBooking', 'booking'],
        ] as const
      ).map(([key, of]) => (
        <Select
          key={key}
          label={reminderTexts[of]}
          value={value[key]}
          options={reminderOptions(value[key])}
          onChange={(minutes) => setValue({ ...value, [key]: minutes })}
          error={errors[`remind.${of}`]}
        />
      ))}
      <p className="soft">{reminderTexts.lead}</p>
      {staff ? (
        <Field
          label={say.contact}
          hint={say.contactHint}
          value={value.contact}
          onChange={(contact) => setValue({ ...value, contact })}
          error={errors.contact}
        />
      ) : null}
      {staff && value.contact !== '' ? (
        <label className={styles.tick}>
          <input
            type="checkbox"
            checked={value.guardiansRead}
            onChange={(event) => setValue({ ...value, guardiansRead: event.target.checked })}
          />{' '}
          {guardianTexts.contactShown}
        </label>
      ) : null}
      <p role="alert">{message}</p>
      <div>
        <Button type="submit" variant="contained" disabled={busy}>
          {say.save}
        </Button>
      </div>
    </form>
  );
}

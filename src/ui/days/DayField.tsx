'use client';
import CalendarIcon from '@mui/icons-material/CalendarMonthOutlined';
import Button from '@mui/material/Button';
import FormControl from '@mui/material/FormControl';
import FormHelperText from '@mui/material/FormHelperText';
import IconButton from '@mui/material/IconButton';
import InputAdornment from '@mui/material/InputAdornment';
import OutlinedInput from '@mui/material/OutlinedInput';
import dynamic from 'next/dynamic';
import { useId, useMemo, useRef, useState } from 'react';
import type { Temporal } from 'temporal-polyfill';
import { dayTexts as say } from '@/core/texts/days';
import { dateLabel } from '@/core/time/dateLabels';
import type { DayContext } from '@/core/time/typedDay';
import { isoDay, readDay } from '@/core/time/typedDay';
import fieldStyles from '../controls/Field.module.css';
import { useDayContext } from './useDayContext';
import styles from './DayField.module.css';

const fetchCalendar = () => import('./DayCalendar');
const DayCalendar = dynamic(async () => (await fetchCalendar()).DayCalendar);

type Props = Readonly<{
  label: string;
  /** As `2026-10-28`, or what was typed where that is no day, so that whoever reads the form refuses it. */
  value: string;
  onChange: (value: string) => void;
  error?: string;
  hint?: string;
  width?: number | string;
  autoFocus?: boolean;
  /** The label is for ears alone, where a sentence around the field says what it is. */
  inline?: boolean;
  /** Whoever asks acts on each change: they hear of days and of an empty field alone. */
  daysOnly?: boolean;
  /** Sends the day along with a form of the page. */
  name?: string;
}>;

/** What stands in the field as it was typed, until it is a day; `sent` is what whoever asked was told. */
type Typed = Readonly<{ text: string; sent: string }>;

/** The day as it is written here; with its year where that is not this one. */
const written = (day: Temporal.PlainDate, { today, locale }: DayContext): string =>
  dateLabel(day, day.year === today.year ? 'short' : 'dated', locale);

/** A day, typed in words as people type it or chosen in a calendar; what means two days is asked. */
export function DayField({
  label,
  value,
  onChange,
  error,
  hint,
  width = '100%',
  autoFocus,
  inline = false,
  daysOnly = false,
  name,
}: Props) {
  const id = useId();
  const context = useDayContext();
  const root = useRef<HTMLDivElement>(null);
  const [last, setTyped] = useState<Typed>();
  const [focused, setFocused] = useState(false);
  const [anchor, setAnchor] = useState<HTMLElement>();
  const open = () => setAnchor(root.current ?? undefined);
  // The same day as long as the value is: a calendar that is handed another goes back to its month.
  const day = useMemo(() => isoDay(value), [value]);
  // Whoever asked has put something else there since.
  const typed = last && (focused || last.sent === value) ? last.text : undefined;
  const unread = typed ?? (day ? '' : value);
  const reading = !focused && unread !== '' ? readDay(unread, context) : undefined;
  const type = (text: string) => {
    const read = readDay(text, context);
    const means = read.kind === 'day' ? read.day.toString() : text.trim();
    const sent = daysOnly && read.kind !== 'day' && means !== '' ? value : means;
    setTyped({ text, sent });
    if (sent !== value) onChange(sent);
  };
  const leave = () => {
    setFocused(false);
    if (last?.text.trim() === '' || readDay(last?.text ?? '', context).kind === 'day') setTyped(undefined);
  };
  const choose = (chosen: Temporal.PlainDate) => {
    setTyped(undefined);
    setAnchor(undefined);
    onChange(chosen.toString());
  };
  const wrong = error ?? (reading?.kind === 'unreadable' ? say.unreadable : undefined);
  const message = wrong ?? (reading?.kind === 'ask' ? reading.question : hint);
  return (
    <FormControl error={Boolean(wrong)} style={{ width }} className={inline ? styles.inline : undefined}>
      {inline ? null : (
        <label htmlFor={id} className={fieldStyles.label}>
          {label}
        </label>
      )}
      <OutlinedInput
        id={id}
        ref={root}
        size="small"
        value={typed ?? (day ? written(day, context) : value)}
        autoFocus={autoFocus}
        autoComplete="off"
        onChange={(event) => type(event.target.value)}
        onFocus={(event) => {
          setFocused(true);
          event.target.select();
        }}
        onBlur={leave}
        onKeyDown={(event) => {
          if (event.key !== 'ArrowDown' || !event.altKey) return;
          event.preventDefault();
          open();
        }}
        slotProps={{
          input: {
            'aria-label': inline ? label : undefined,
            'aria-describedby': message ? `${id}-message` : undefined,
          },
        }}
        endAdornment={
          <InputAdornment position="end" className={styles.calendar}>
            <IconButton
              size="small"
              aria-label={say.calendarOf({ label })}
              title={say.calendarOf({ label })}
              aria-haspopup="dialog"
              onPointerEnter={() => void fetchCalendar()}
              onClick={open}
            >
              <CalendarIcon fontSize="inherit" />
            </IconButton>
          </InputAdornment>
        }
      />
      {name ? <input type="hidden" name={name} value={value} /> : null}
      {message ? <FormHelperText id={`${id}-message`}>{message}</FormHelperText> : null}
      {reading?.kind === 'ask' ? (
        <div className={styles.readings} role="group" aria-label={reading.question}>
          {reading.days.map((one) => (
            <Button key={one.toString()} size="small" variant="outlined" onClick={() => choose(one)}>
              {dateLabel(one, 'dated', context.locale)}
            </Button>
          ))}
        </div>
      ) : null}
      {anchor ? (
        <DayCalendar
          anchor={anchor}
          label={label}
          day={day}
          onDay={choose}
          onClose={() => setAnchor(undefined)}
        />
      ) : null}
    </FormControl>
  );
}

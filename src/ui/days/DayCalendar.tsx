'use client';
import Popover from '@mui/material/Popover';
import { DateCalendar } from '@mui/x-date-pickers/DateCalendar';
import { LocalizationProvider } from '@mui/x-date-pickers/LocalizationProvider';
import type { PickerDayProps } from '@mui/x-date-pickers/PickerDay';
import { PickerDay } from '@mui/x-date-pickers/PickerDay';
import { createContext, useContext, useEffect, useMemo, useState } from 'react';
import type { Temporal } from 'temporal-polyfill';
import type { MarkedDays } from '@/core/plan/markedDays';
import { dayTexts as say } from '@/core/texts/days';
import { dateLabel } from '@/core/time/dateLabels';
import { callApi } from '../controls/callApi';
import { useDayContext } from './useDayContext';
import styles from './DayCalendar.module.css';
import { temporalAdapter } from './temporalAdapter';

const Marks = createContext<Readonly<{ days: MarkedDays; locale: string }>>({ days: {}, locale: '' });

const WEEKS = {
  calendarWeekNumberHeaderLabel: say.weekHeadWhole,
  calendarWeekNumberHeaderText: say.weekHead,
  calendarWeekNumberText: (week: number) => (week === 0 ? '' : String(week)),
};

/** A day of the calendar: closures are hatched, days with classes underlined; both are named. */
function CalendarDay(props: PickerDayProps) {
  const { days, locale } = useContext(Marks);
  const marked = days[props.day.toString()] ?? {};
  const name = say.day(dateLabel(props.day, 'full', locale), marked);
  return (
    <PickerDay
      {...props}
      className={styles.day}
      aria-label={name}
      title={name}
      data-closed={marked.closed !== undefined}
      data-classes={marked.classes !== undefined}
    />
  );
}

/** The calendar of a field: teaching weeks by their numbers, closures and class days marked. */
export function DayCalendar({
  anchor,
  label,
  day,
  onDay,
  onClose,
}: {
  anchor: HTMLElement;
  label: string;
  day?: Temporal.PlainDate;
  onDay: (day: Temporal.PlainDate) => void;
  onClose: () => void;
}) {
  const context = useDayContext();
  const Adapter = useMemo(() => temporalAdapter(context), [context]);
  const [days, setDays] = useState<MarkedDays>({});
  useEffect(() => {
    // Without marks a day can be chosen all the same.
    void callApi<MarkedDays>('GET', '/api/days').then((answer) => answer.ok && setDays(answer.value));
  }, []);
  const marks = useMemo(() => ({ days, locale: context.locale }), [days, context.locale]);
  return (
    <Popover
      open
      anchorEl={anchor}
      onClose={onClose}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
      slotProps={{ paper: { 'aria-label': say.calendarOf({ label }), role: 'dialog' } }}
    >
      <LocalizationProvider dateAdapter={Adapter} localeText={WEEKS}>
        <Marks value={marks}>
          <DateCalendar
            autoFocus
            displayWeekNumber
            dayOfWeekFormatter={(weekday) => dateLabel(weekday, 'weekday', context.locale)}
            reduceAnimations
            value={day ?? null}
            referenceDate={day ?? context.today}
            slots={{ day: CalendarDay }}
            onChange={(next, state) => {
              if (next && state === 'finish') onDay(next);
            }}
          />
        </Marks>
      </LocalizationProvider>
    </Popover>
  );
}

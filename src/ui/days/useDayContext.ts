import { useContext, useMemo } from 'react';
import { Temporal } from 'temporal-polyfill';
import { DEFAULT_LOCALE } from '@/core/time/dateLabels';
import type { DayContext } from '@/core/time/typedDay';
import type { DaysOfFrame } from './DayFrame';
import { Days } from './DayFrame';

/** Before there is a term, weeks have no numbers: it is as if there were one of a single day. */
function contextOf(frame: DaysOfFrame | undefined): DayContext {
  const today = frame ? Temporal.PlainDate.from(frame.today) : Temporal.Now.plainDateISO();
  const { startsOn, endsOn, weekStart } = frame?.term ?? {};
  return {
    today,
    locale: frame?.locale ?? DEFAULT_LOCALE,
    term: {
      startsOn: startsOn ? Temporal.PlainDate.from(startsOn) : today,
      endsOn: endsOn ? Temporal.PlainDate.from(endsOn) : today,
      weekStart,
    },
  };
}

/** What a day that is typed here is read beside. */
export function useDayContext(): DayContext {
  const frame = useContext(Days);
  return useMemo(() => contextOf(frame), [frame]);
}

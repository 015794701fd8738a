import { Temporal } from 'temporal-polyfill';
import { listed } from '../texts/entries';
import { seriesTexts } from '../texts/series';
import { dateLabel } from '../time/dateLabels';
import { ruleParts, untilOf } from './rule';

const DAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];
/** A Monday: weekday names are taken from its week. */
const MONDAY = new Temporal.PlainDate(2024, 1, 1);

/** A rule in words: `every 2 weeks on Tue and Thu, until Fri 18 Dec`. */
export function repeatWords(rrule: string, locale: string): string {
  const parts = ruleParts(rrule);
  const every = Number(parts.get('INTERVAL') ?? 1);
  const unit = seriesTexts.unit(parts.get('FREQ') ?? '', every);
  const weekday = (code: string) => {
    const [, nth = '', day = ''] = /^([+-]?\d)?([A-Z]{2})$/.exec(code) ?? [];
    const name = dateLabel(MONDAY.add({ days: Math.max(0, DAYS.indexOf(day)) }), 'weekday', locale);
    return nth ? seriesTexts.nth(Number(nth), name) : name;
  };
  const on = parts.get('BYDAY')?.split(',').map(weekday) ?? [];
  const monthDay = parts.get('BYMONTHDAY');
  const until = untilOf(rrule);
  const count = parts.get('COUNT');
  return [
    unit,
    on.length > 0 ? seriesTexts.on(listed(on)) : monthDay ? seriesTexts.onDay(monthDay) : '',
    until
      ? seriesTexts.until(dateLabel(until, 'short', locale))
      : count
        ? seriesTexts.times(Number(count))
        : '',
  ]
    .filter(Boolean)
    .join(' ');
}

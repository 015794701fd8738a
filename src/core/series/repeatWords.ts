import { Temporal } from 'temporal-polyfill';
import { listed } from '../texts/entries';
import { seriesTexts } from '../texts/series';
import { dateLabel, timeLabel } from '../time/dateLabels';
import { ruleParts, untilOf } from './rule';

const DAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];
/** A Monday: weekday names are taken from its week. */
const MONDAY = new Temporal.PlainDate(2024, 1, 1);

/** A rule in words: `every 2 weeks on Tue and Thu, until Fri 18 Dec`. Nothing of it is left unsaid but on which day weeks begin. */
export function repeatWords(rrule: string, locale: string): string {
  const parts = ruleParts(rrule);
  const list = (name: string) => parts.get(name)?.split(',') ?? [];
  const numbers = (name: string) => list(name).map(Number);
  const weekday = (code: string) => {
    const [, nth = '', day = ''] = /^([+-]?\d{1,2})?([A-Z]{2})$/.exec(code) ?? [];
    const name = dateLabel(MONDAY.add({ days: Math.max(0, DAYS.indexOf(day)) }), 'weekday', locale);
    return nth ? seriesTexts.nth(Number(nth), name) : name;
  };
  const months = numbers('BYMONTH').map((month) => dateLabel(MONDAY.with({ month }), 'monthAlone', locale));
  const minutes = parts.has('BYMINUTE') ? numbers('BYMINUTE') : [0];
  const times = numbers('BYHOUR').flatMap((hour) =>
    minutes.map((minute) => timeLabel(new Temporal.PlainTime(hour, minute), locale)),
  );
  const said = (items: readonly unknown[], words: () => string) => (items.length > 0 ? words() : '');
  const until = untilOf(rrule);
  const count = parts.get('COUNT');
  return [
    seriesTexts.unit(parts.get('FREQ') ?? '', Number(parts.get('INTERVAL') ?? 1)),
    said(months, () => seriesTexts.inMonths({ months: listed(months) })),
    said(list('BYWEEKNO'), () => seriesTexts.inWeeks(numbers('BYWEEKNO'))),
    said(list('BYDAY'), () => seriesTexts.on({ days: listed(list('BYDAY').map(weekday)) })),
    said(list('BYMONTHDAY'), () => seriesTexts.onDays(numbers('BYMONTHDAY'), 'month')),
    said(list('BYYEARDAY'), () => seriesTexts.onDays(numbers('BYYEARDAY'), 'year')),
    said(times, () => seriesTexts.at({ times: listed(times) })),
    said(list('BYSETPOS'), () => seriesTexts.ofThese(numbers('BYSETPOS'))),
    until
      ? seriesTexts.until({ day: dateLabel(until, 'short', locale) })
      : count
        ? seriesTexts.times({ n: Number(count) })
        : '',
  ]
    .filter(Boolean)
    .join(' ');
}

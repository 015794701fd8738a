import { Temporal } from 'temporal-polyfill';

/** A part of a rule that is a list of whole numbers, none of them 0: from 1 to `most`, or counted from the end. */
const numbers =
  (most: number, { fromEnd = true } = {}) =>
  (value: string): boolean =>
    value.split(',').every((one) => {
      const n = Number(one);
      return /^[+-]?\d{1,3}$/.test(one) && Math.abs(n) >= 1 && Math.abs(n) <= most && (fromEnd || n > 0);
    });
const clock =
  (most: number) =>
  (value: string): boolean =>
    value.split(',').every((one) => /^\d{1,2}$/.test(one) && Number(one) <= most);
const count = (value: string): boolean => /^[1-9]\d{0,4}$/.test(value);
const WEEKDAY = /^([+-]?\d{1,2})?(MO|TU|WE|TH|FR|SA|SU)$/;

function isUntil(value: string): boolean {
  const [, date, time] = /^(\d{8})(?:T(\d{6})Z?)?$/.exec(value) ?? [];
  if (!date) return false;
  try {
    Temporal.PlainDate.from(date, { overflow: 'reject' });
    if (time) Temporal.PlainTime.from(time, { overflow: 'reject' });
    return true;
  } catch {
    return false;
  }
}

/** Each part with its values, as RFC 5545 section 3.3.10 has them. */
const PARTS: Readonly<Record<string, (value: string) => boolean>> = {
  FREQ: (value) => /^(SECONDLY|MINUTELY|HOURLY|DAILY|WEEKLY|MONTHLY|YEARLY)$/.test(value),
  INTERVAL: count,
  COUNT: count,
  UNTIL: isUntil,
  BYSECOND: clock(60),
  BYMINUTE: clock(59),
  BYHOUR: clock(23),
  BYDAY: (value) =>
    value.split(',').every((day) => {
      const [, ordinal] = WEEKDAY.exec(day) ?? [undefined, '0'];
      return ordinal === undefined || numbers(53)(ordinal);
    }),
  BYMONTHDAY: numbers(31),
  BYYEARDAY: numbers(366),
  BYWEEKNO: numbers(53),
  BYMONTH: numbers(12, { fromEnd: false }),
  BYSETPOS: numbers(366),
  WKST: (value) => /^(MO|TU|WE|TH|FR|SA|SU)$/.test(value),
};

/** Whether a rule's parts may stand beside one another (RFC 5545 section 3.3.10). */
function fitTogether(parts: ReadonlyMap<string, string>): boolean {
  const freq = parts.get('FREQ');
  const counted = /\d/.test(parts.get('BYDAY') ?? '');
  const by = [...parts.keys()].filter((name) => name.startsWith('BY'));
  return !(
    (parts.has('COUNT') && parts.has('UNTIL')) ||
    (counted && freq !== 'MONTHLY' && freq !== 'YEARLY') ||
    (counted && freq === 'YEARLY' && parts.has('BYWEEKNO')) ||
    (parts.has('BYMONTHDAY') && freq === 'WEEKLY') ||
    (parts.has('BYYEARDAY') && /^(DAILY|WEEKLY|MONTHLY)$/.test(freq ?? '')) ||
    (parts.has('BYWEEKNO') && freq !== 'YEARLY') ||
    (parts.has('BYSETPOS') && by.length === 1)
  );
}

/**
 * Whether a text is an RRULE value by RFC 5545 section 3.3.10: known parts, each once, values within their ranges, no two that
 * exclude one another, UNTIL a date there is. Whether it ever takes place is not asked.
 * @example isRule('FREQ=MONTHLY;BYDAY=-1FR') // true
 * @example isRule('FREQ=WEEKLY;BYDAY=1MO') // false: weeks have no first Monday
 */
export function isRule(rrule: string): boolean {
  const pairs = rrule.split(';').map((part) => part.split('='));
  const parts = new Map(pairs.map(([name = '', value = '']) => [name, value]));
  return (
    parts.size === pairs.length &&
    parts.has('FREQ') &&
    pairs.every(([name = '', value = '', more]) => more === undefined && PARTS[name]?.(value) === true) &&
    fitTogether(parts)
  );
}

/** Lists within a day are kept short: long ones make every expansion crawl. */
const mostOf = (name: string): number => (/^BY(HOUR|MINUTE|SECOND)$/.test(name) ? 4 : 100);

/** Whether a rule's lists are as short as expansions need them. */
export const hasShortLists = (parts: ReadonlyMap<string, string>): boolean =>
  [...parts].every(([name, value]) => value.split(',').length <= mostOf(name));

/** A rule with its FREQ in front, where RFC 5545 section 3.3.10 wants it. */
export const freqFirst = (rrule: string): string =>
  rrule
    .split(';')
    .sort((a, b) => Number(b.startsWith('FREQ=')) - Number(a.startsWith('FREQ=')))
    .join(';');

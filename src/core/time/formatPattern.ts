import type { Temporal } from 'temporal-polyfill';
import type { PatternClass, Weeks } from './pattern';

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
const clock = (time: Temporal.PlainTime) => time.toString({ smallestUnit: 'minute' });

function weeksAsTyped(weeks: Weeks | undefined): string {
  if (!weeks) return '';
  if ('only' in weeks) return `, weeks ${weeks.only.join(', ')}`;
  if (weeks.every === 2 && weeks.from <= 2) return weeks.from === 1 ? ', odd weeks' : ', even weeks';
  return `, every ${weeks.every} weeks from week ${weeks.from}`;
}

/** A week as it can be typed: `Tue Thu 10:00-11:50; Wed 14:00-17:00, odd weeks in Shed 2`. `readPattern` reads it back. */
export function formatPattern(classes: readonly PatternClass[]): string {
  if (classes.some(({ byWeek }) => byWeek)) return 'by week';
  const parts = new Map<string, { head: string; days: string[]; rest: string }>();
  for (const { weekday, cycleDay, start, end, weeks, place, strand } of classes) {
    const rest = `${clock(start)}-${clock(end)}${weeksAsTyped(weeks)}${place ? ` in ${place}` : ''}`;
    const head = [strand, cycleDay === undefined ? undefined : 'Day'].filter(Boolean).join(' ');
    const part = parts.get(`${head} ${rest}`) ?? { head, days: [], rest };
    part.days.push(cycleDay ?? WEEKDAYS[weekday! - 1]!);
    parts.set(`${head} ${rest}`, part);
  }
  return [...parts.values()]
    .map((part) => [part.head, ...part.days, part.rest].filter(Boolean).join(' '))
    .join('; ');
}

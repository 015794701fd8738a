import { signupTexts } from '../texts/signup';
import { readTime } from '../time/typedTime';
import type { Notice } from './sheet';

export type ReadNotice = Notice | 'ask' | undefined;

/**
 * Reads how long before a time as people write it: `2 h`, `30 min`, `1 day`, `18:00 the day before`, `the evening before`
 * (18:00), `any time`. A bare 1 to 6 as the time of day is asked.
 */
export function readNotice(text: string): ReadNotice {
  const typed = text
    .trim()
    .toLowerCase()
    .replace(/^(until|up to|by)\s+/, '')
    .replace(/\s+before(hand)?$/, '');
  if (typed === '' || /^(any ?time|0|none|no notice|it begins)$/.test(typed))
    return { kind: 'minutes', minutes: 0 };
  const length = /^(\d{1,5})\s*(m|min|mins|minutes?|h|hours?|d|days?|w|weeks?)$/.exec(typed);
  if (length) {
    const [, count = '', unit = ''] = length;
    const each = unit.startsWith('m')
      ? 1
      : unit.startsWith('h')
        ? 60
        : unit.startsWith('d')
          ? 24 * 60
          : 7 * 24 * 60;
    return { kind: 'minutes', minutes: Number(count) * each };
  }
  if (/^the evening$/.test(typed)) return dayNotice('18:00', 1);
  const day = /^(.+?)\s+(?:(?:on\s+)?the\s+)?(same day|day|(\d{1,2})\s+days?)$/.exec(typed);
  if (!day) return undefined;
  return dayNotice(day[1]!, day[2] === 'same day' ? 0 : Number(day[3] ?? 1));
}

function dayNotice(clock: string, days: number): ReadNotice {
  const at = readTime(clock);
  if (at.kind === 'ask') return 'ask';
  return at.kind === 'time' ? { kind: 'day', days, at: at.time } : undefined;
}

/** A notice as it is typed: what `readNotice` reads back as the same. */
export function writeNotice(notice: Notice): string {
  if (notice.kind === 'day') {
    const day =
      notice.days === 0 ? 'same day' : notice.days === 1 ? 'day before' : `${notice.days} days before`;
    return `${notice.at.toString({ smallestUnit: 'minute' })} the ${day}`;
  }
  const { minutes } = notice;
  if (minutes === 0) return signupTexts.notice.none;
  if (minutes % (24 * 60) === 0) return `${minutes / (24 * 60)} d before`;
  return minutes % 60 === 0 ? `${minutes / 60} h before` : `${minutes} min before`;
}

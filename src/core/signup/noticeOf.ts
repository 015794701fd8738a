import { Temporal } from 'temporal-polyfill';
import { dateLabel, timeLabel } from '../time/dateLabels';
import type { Zone } from '../time/zone';
import { toInstant, toWall } from '../time/zone';
import { signupTexts } from '../texts/signup';
import type { Notice } from './sheet';

/** The last moment at which something can be done before a time that begins then: the first at which it cannot. */
export function noticeEnds(notice: Notice, start: Temporal.Instant, zone: Zone): Temporal.Instant {
  if (notice.kind === 'minutes') return start.subtract({ minutes: notice.minutes });
  const day = toWall(zone, start).toPlainDate().subtract({ days: notice.days });
  const at = toInstant(zone, day.toPlainDateTime(notice.at));
  // "By 18:00 the same day" is over when the time begins.
  return Temporal.Instant.compare(at, start) < 0 ? at : start;
}

/** A notice in words: "until 2 hours before", "until 18:00 the day before". */
export function noticeWords(notice: Notice): string {
  if (notice.kind === 'day') return signupTexts.notice.day({ time: timeLabel(notice.at), days: notice.days });
  return notice.minutes === 0 ? signupTexts.notice.none : signupTexts.notice.minutes(notice.minutes);
}

/** The last moment for a student, in words, in the zone of the sheet. */
export function untilWords(at: Temporal.Instant, zone: Zone, locale: string): string {
  const wall = toWall(zone, at);
  return `${dateLabel(wall.toPlainDate(), 'short', locale)}, ${timeLabel(wall, locale)}`;
}

import { createHash } from 'node:crypto';
import { Temporal } from 'temporal-polyfill';
import type { MeetingId, SectionId } from '@/core/ids';
import type { Term } from '@/core/time/term';

/** The id of a meeting by its section and its place in the pattern: a date that goes and comes back keeps it. */
export function meetingIdOf(section: SectionId, key: string): MeetingId {
  const hex = createHash('sha256').update(`meeting ${section} ${key}`).digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20, 32)}` as MeetingId;
}

/** The day of a class that is gone, found again by its id; undefined for an id that no day of the term gives. */
export function lostDate(
  section: SectionId,
  meeting: MeetingId,
  term: Pick<Term, 'startsOn' | 'endsOn'>,
): Temporal.PlainDate | undefined {
  for (
    let date = term.startsOn;
    Temporal.PlainDate.compare(date, term.endsOn) <= 0;
    date = date.add({ days: 1 })
  )
    if (['', '/2', '/3'].some((nth) => meetingIdOf(section, `${date.toString()}${nth}`) === meeting))
      return date;
  return undefined;
}

import { createHash } from 'node:crypto';
import { Temporal } from 'temporal-polyfill';
import type { MeetingId, SectionId } from '@/core/ids';
import { cycleDays } from '@/core/time/cycle';
import type { Term } from '@/core/time/term';
import { teachingWeeks } from '@/core/time/term';

/** The id of a meeting by its section and its place in the pattern: a date that goes and comes back keeps it. */
export function meetingIdOf(section: SectionId, key: string): MeetingId {
  const hex = createHash('sha256').update(`meeting ${section} ${key}`).digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20, 32)}` as MeetingId;
}

const NTH = ['', '/2', '/3'];

/**
 * The day after which a class that is gone would have been followed by the next, found again by its id: its own day, or, of a
 * turn that no day has any more, the day before the next turn. Undefined for an id that nothing in the term gives.
 */
export function lostDate(
  section: SectionId,
  meeting: MeetingId,
  {
    term,
    closures,
  }: Readonly<{
    term: Pick<Term, 'startsOn' | 'endsOn' | 'weekStart' | 'cycle'>;
    closures: Parameters<typeof cycleDays>[1];
  }>,
): Temporal.PlainDate | undefined {
  const isAt = (place: string) => NTH.some((nth) => meetingIdOf(section, `${place}${nth}`) === meeting);
  for (
    let date = term.startsOn;
    Temporal.PlainDate.compare(date, term.endsOn) <= 0;
    date = date.add({ days: 1 })
  )
    if (isAt(date.toString()) || isAt(`${date.toString()}/given`)) return date;
  const week = teachingWeeks(term).find(({ number }) => isAt(`week-${number}`));
  if (week) return week.first;
  const turns = [...cycleDays(term, closures)].flatMap(([date, { turn }]) =>
    turn === undefined ? [] : [{ date: Temporal.PlainDate.from(date), turn }],
  );
  const last = Math.max(-1, ...turns.map(({ turn }) => turn));
  for (let turn = 0; turn <= last; turn++)
    if (isAt(`turn-${turn}`)) {
      const next = turns.find((one) => one.turn >= turn)!;
      return next.turn === turn ? next.date : next.date.subtract({ days: 1 });
    }
  return undefined;
}

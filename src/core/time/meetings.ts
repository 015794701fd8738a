import { Temporal } from 'temporal-polyfill';
import type { MeetingId } from '../ids';
import type { Closure } from './closure';
import { closes } from './closure';
import type { Pattern } from './pattern';
import { patternOn } from './pattern';
import type { Term } from './term';
import type { ZonedWall } from './zonedWall';

/**
 * A class on its date. `key` is where the pattern put it (`2026-10-15` and, for a second class that day, `2026-10-15/2`)
 * and stays when it is moved; the ordinal counts in the order of keys, cancelled meetings included.
 */
export type Meeting = Readonly<{
  id: MeetingId;
  key: string;
  ordinal: number;
  date: Temporal.PlainDate;
  start: Temporal.PlainTime;
  end: Temporal.PlainTime;
  moved: boolean;
  /** The reason why it was called off, which may be empty; absent while it takes place. */
  cancelled?: string;
  sequence: number;
  lastModified: Temporal.Instant;
}>;

const spans = new WeakMap<Meeting, Readonly<{ start: ZonedWall; end: ZonedWall }>>();

/** When a class begins and ends, in the zone of its term; worked out once for each. */
export function spanOfMeeting(
  meeting: Meeting,
  tzid: string,
): Readonly<{ start: ZonedWall; end: ZonedWall }> {
  const known = spans.get(meeting);
  if (known?.start.tzid === tzid) return known;
  const span = {
    start: { wall: meeting.date.toPlainDateTime(meeting.start), tzid },
    end: { wall: meeting.date.toPlainDateTime(meeting.end), tzid },
  };
  spans.set(meeting, span);
  return span;
}

export type PlannedMeeting = Pick<Meeting, 'key' | 'date' | 'start' | 'end'>;

/**
 * The meetings that a section's patterns give over a term, minus those that a closure takes away, earliest first.
 * `closures` are those that concern the section's course.
 */
export function plannedMeetings(
  term: Pick<Term, 'startsOn' | 'endsOn'>,
  patterns: readonly Pattern[],
  closures: readonly Pick<Closure, 'start' | 'end' | 'closesAt'>[],
): PlannedMeeting[] {
  const meetings: PlannedMeeting[] = [];
  for (
    let date = term.startsOn;
    Temporal.PlainDate.compare(date, term.endsOn) <= 0;
    date = date.add({ days: 1 })
  ) {
    const classes = (patternOn(patterns, date)?.classes ?? [])
      .filter((c) => c.weekday === date.dayOfWeek)
      .sort((a, b) => Temporal.PlainTime.compare(a.start, b.start));
    classes.forEach(({ start, end }, i) => {
      const key = i === 0 ? date.toString() : `${date}/${i + 1}`;
      // The key is the pattern's, so that a closure that comes and goes gives every class its own meeting back.
      if (!closures.some((closure) => closes(closure, { date, start, end })))
        meetings.push({ key, date, start, end });
    });
  }
  return meetings;
}

export type MeetingChanges = Readonly<{
  /** All meetings as they now are, in the order of their ordinals. */
  meetings: readonly Meeting[];
  added: readonly Meeting[];
  changed: readonly Meeting[];
  /** Meetings whose date is gone; what was planned for them needs another place. */
  lost: readonly Meeting[];
}>;

/**
 * Fits a section's meetings to what is now planned. A meeting whose date stays keeps its id, a moved one its new date,
 * a cancelled one its row and ordinal. Ordinals are 1, 2, 3 ... without holes.
 */
export function fitMeetings(
  before: readonly Meeting[],
  planned: readonly PlannedMeeting[],
  { idOf, now }: { idOf: (key: string) => MeetingId; now: Temporal.Instant },
): MeetingChanges {
  const known = new Map(before.map((meeting) => [meeting.key, meeting]));
  const keys = new Set(planned.map((p) => p.key));
  const added: Meeting[] = [];
  const changed: Meeting[] = [];
  const meetings = planned.map((p, i): Meeting => {
    const ordinal = i + 1;
    const old = known.get(p.key);
    if (!old) {
      const meeting = { ...p, id: idOf(p.key), ordinal, moved: false, sequence: 0, lastModified: now };
      added.push(meeting);
      return meeting;
    }
    const { date, start, end } = old.moved ? old : p;
    const same =
      old.ordinal === ordinal && old.date.equals(date) && old.start.equals(start) && old.end.equals(end);
    if (same) return old;
    const meeting = { ...old, ordinal, date, start, end };
    changed.push(meeting);
    return meeting;
  });
  return { meetings, added, changed, lost: before.filter((meeting) => !keys.has(meeting.key)) };
}

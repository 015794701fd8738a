import { Temporal } from 'temporal-polyfill';
import type { ClosureId, CourseId, MeetingId, TermId } from '@/core/ids';
import type { Closure } from '@/core/time/closure';
import type { Meeting } from '@/core/time/meetings';
import type { Pattern } from '@/core/time/pattern';
import type { Rows } from '../rows';

const time = (text: string) => Temporal.PlainTime.from(text);
const clock = (t: Temporal.PlainTime) => t.toString({ smallestUnit: 'minute' });

export const toClosure = (row: Rows['closures']): Closure => ({
  id: row.id as ClosureId,
  term: row.term_id as TermId,
  course: row.course_id === null ? undefined : (row.course_id as CourseId),
  name: row.name,
  start: Temporal.PlainDate.from(row.starts_on),
  end: Temporal.PlainDate.from(row.ends_before),
  closesAt: row.closes_at === null ? undefined : time(row.closes_at),
  created: Temporal.Instant.fromEpochMilliseconds(row.created_at),
});

export const fromClosure = (closure: Closure): Rows['closures'] => ({
  id: closure.id,
  term_id: closure.term,
  course_id: closure.course ?? null,
  name: closure.name,
  starts_on: closure.start.toString(),
  ends_before: closure.end.toString(),
  closes_at: closure.closesAt ? clock(closure.closesAt) : null,
  created_at: closure.created.epochMilliseconds,
});

type StoredClass = readonly [weekday: number, start: string, end: string];

export const toPattern = (row: Rows['patterns']): Pattern => ({
  from: Temporal.PlainDate.from(row.from_date),
  classes: (JSON.parse(row.classes) as StoredClass[]).map(([weekday, start, end]) => ({
    weekday,
    start: time(start),
    end: time(end),
  })),
});

export const fromPattern = (
  pattern: Pattern,
  { id, section }: { id: string; section: string },
): Rows['patterns'] => ({
  id,
  section_id: section,
  from_date: pattern.from.toString(),
  classes: JSON.stringify(pattern.classes.map((c): StoredClass => [c.weekday, clock(c.start), clock(c.end)])),
});

export const toMeeting = (row: Rows['meetings']): Meeting => ({
  id: row.id as MeetingId,
  key: row.place_in_pattern,
  ordinal: row.ordinal,
  date: Temporal.PlainDate.from(row.date),
  start: time(row.start_time),
  end: time(row.end_time),
  moved: row.moved === 1,
  cancelled: row.cancelled ?? undefined,
  sequence: row.sequence,
  lastModified: Temporal.Instant.fromEpochMilliseconds(row.modified_at),
});

export const fromMeeting = (meeting: Meeting, section: string): Rows['meetings'] => ({
  id: meeting.id,
  section_id: section,
  place_in_pattern: meeting.key,
  ordinal: meeting.ordinal,
  date: meeting.date.toString(),
  start_time: clock(meeting.start),
  end_time: clock(meeting.end),
  moved: meeting.moved ? 1 : 0,
  cancelled: meeting.cancelled ?? null,
  sequence: meeting.sequence,
  modified_at: meeting.lastModified.epochMilliseconds,
});

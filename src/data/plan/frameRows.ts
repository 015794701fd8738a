import { Temporal } from 'temporal-polyfill';
import type { CalendarId, ClosureId, CourseId, MeetingId, SectionId, SiteDateId, TermId } from '@/core/ids';
import type { Course, Section, SiteDate } from '@/core/plan/plan';
import type { Term } from '@/core/time/term';
import type { Closure } from '@/core/time/closure';
import type { Cycle } from '@/core/time/cycle';
import type { ExtraClass, Meeting } from '@/core/time/meetings';
import type { Strand } from '@/core/time/classNumber';
import type { OnDays, Pattern, PatternClass } from '@/core/time/pattern';
import type { Rows } from '../rows';

const time = (text: string) => Temporal.PlainTime.from(text);
const clock = (t: Temporal.PlainTime) => t.toString({ smallestUnit: 'minute' });

/** A term, with the day on which the school's weeks begin. */
export const toTerm = (row: Rows['terms'] & { week_start: number | null }): Term => ({
  id: row.id as TermId,
  name: row.name,
  startsOn: Temporal.PlainDate.from(row.starts_on),
  endsOn: Temporal.PlainDate.from(row.ends_on),
  tzid: row.tzid,
  weekStart: row.week_start ?? 1,
  ...(row.cycle === null ? {} : { cycle: toCycle(row.cycle) }),
});

type StoredCycle = Omit<Cycle, 'given'> &
  Readonly<{ given: readonly Readonly<{ date: string; day: string }>[] }>;

function toCycle(text: string): Cycle {
  const stored = JSON.parse(text) as StoredCycle;
  const given = stored.given.map(({ date, day }) => ({ date: Temporal.PlainDate.from(date), day }));
  return { ...stored, given };
}

export const fromTerm = (term: Term): Rows['terms'] => ({
  id: term.id,
  name: term.name,
  starts_on: term.startsOn.toString(),
  ends_on: term.endsOn.toString(),
  tzid: term.tzid,
  // Dates write themselves as they are read.
  cycle: term.cycle ? JSON.stringify(term.cycle) : null,
});

type CourseFacts = Pick<
  Course,
  'code' | 'title' | 'tag' | 'color' | 'credits' | 'weeklyHours' | 'sharesTitles' | 'place' | 'meetingLink'
>;

/** What a course is called and says of itself. */
export const fromCourseFacts = (course: CourseFacts) => ({
  code: course.code,
  title: course.title,
  tag: course.tag.toUpperCase(),
  color: course.color,
  credits: course.credits ?? null,
  weekly_hours: course.weeklyHours ?? null,
  shares_titles: course.sharesTitles ? 1 : 0,
  place: course.place,
  meeting_link: course.meetingLink,
});

export const toSiteDate = (row: Rows['site_dates']): SiteDate => ({
  id: row.id as SiteDateId,
  term: row.term_id as TermId,
  name: row.name,
  start: Temporal.PlainDate.from(row.starts_on),
  end: Temporal.PlainDate.from(row.ends_before),
  at: row.at_time === null ? undefined : time(row.at_time),
  created: Temporal.Instant.fromEpochMilliseconds(row.created_at),
});

export const fromSiteDate = (date: SiteDate): Rows['site_dates'] => ({
  id: date.id,
  term_id: date.term,
  name: date.name,
  starts_on: date.start.toString(),
  ends_before: date.end.toString(),
  at_time: date.at ? clock(date.at) : null,
  created_at: date.created.epochMilliseconds,
});

export const toClosure = (row: Rows['closures']): Closure => ({
  id: row.id as ClosureId,
  term: row.term_id as TermId,
  course: row.course_id === null ? undefined : (row.course_id as CourseId),
  ...(row.sections === null ? {} : { sections: JSON.parse(row.sections) as SectionId[] }),
  name: row.name,
  start: Temporal.PlainDate.from(row.starts_on),
  end: Temporal.PlainDate.from(row.ends_before),
  closesAt: row.closes_at === null ? undefined : time(row.closes_at),
  ...(row.opens_at === null ? {} : { opensAt: time(row.opens_at) }),
  ...(row.online === 1 ? { online: true } : {}),
  ...(row.calendar_id === null
    ? {}
    : { from: { calendar: row.calendar_id as CalendarId, source: row.source ?? '' } }),
  created: Temporal.Instant.fromEpochMilliseconds(row.created_at),
});

export const fromClosure = (closure: Closure): Rows['closures'] => ({
  id: closure.id,
  term_id: closure.term,
  course_id: closure.course ?? null,
  sections: closure.sections ? JSON.stringify(closure.sections) : null,
  name: closure.name,
  starts_on: closure.start.toString(),
  ends_before: closure.end.toString(),
  closes_at: closure.closesAt ? clock(closure.closesAt) : null,
  opens_at: closure.opensAt ? clock(closure.opensAt) : null,
  online: closure.online ? 1 : 0,
  calendar_id: closure.from?.calendar ?? null,
  source: closure.from?.source ?? null,
  created_at: closure.created.epochMilliseconds,
});

type StoredClass = readonly [
  /** A weekday, the name of a rotating day, or the word for one that stands for the whole week. */
  on: number | string,
  start: string,
  end: string,
  more?: Pick<PatternClass, 'weeks' | 'place' | 'strand'>,
];

/** Longer than the name of any rotating day. */
const BY_WEEK = 'by week';

const daysOf = (on: number | string): OnDays =>
  typeof on === 'number' ? { weekday: on } : on === BY_WEEK ? { byWeek: true } : { cycleDay: on };

const toClass = ([on, start, end, more]: StoredClass): PatternClass => ({
  ...daysOf(on),
  start: time(start),
  end: time(end),
  ...more,
});

function fromClass({ weekday, cycleDay, start, end, weeks, place, strand }: PatternClass): StoredClass {
  const more = { ...(weeks ? { weeks } : {}), ...(place ? { place } : {}), ...(strand ? { strand } : {}) };
  const stored = [cycleDay ?? weekday ?? BY_WEEK, clock(start), clock(end)] as const;
  return Object.keys(more).length > 0 ? [...stored, more] : stored;
}

export const toPattern = (row: Rows['patterns']): Pattern => ({
  from: Temporal.PlainDate.from(row.from_date),
  classes: (JSON.parse(row.classes) as StoredClass[]).map(toClass),
});

export const fromPattern = (
  pattern: Pattern,
  { id, section }: { id: string; section: string },
): Rows['patterns'] => ({
  id,
  section_id: section,
  from_date: pattern.from.toString(),
  classes: JSON.stringify(pattern.classes.map(fromClass)),
});

type SectionDays = Pick<Section, 'firstDay' | 'lastDay'>;

export const toSectionDays = (row: Rows['sections']): SectionDays => ({
  ...(row.first_day === null ? {} : { firstDay: Temporal.PlainDate.from(row.first_day) }),
  ...(row.last_day === null ? {} : { lastDay: Temporal.PlainDate.from(row.last_day) }),
});

export const fromSection = (
  { id, name, firstDay, lastDay }: Pick<Section, 'id' | 'name'> & SectionDays,
  course: CourseId,
): Rows['sections'] => ({
  id,
  course_id: course,
  name,
  first_day: firstDay?.toString() ?? null,
  last_day: lastDay?.toString() ?? null,
});

export const toExtraClass = (row: Rows['extra_classes']): ExtraClass => ({
  id: row.id,
  date: Temporal.PlainDate.from(row.date),
  start: time(row.start_time),
  end: time(row.end_time),
  ...(row.place === null ? {} : { place: row.place }),
  ...(row.strand === null ? {} : { strand: row.strand as ExtraClass['strand'] }),
});

export const fromExtraClass = (extra: ExtraClass, section: SectionId): Rows['extra_classes'] => ({
  id: extra.id,
  section_id: section,
  date: extra.date.toString(),
  start_time: clock(extra.start),
  end_time: clock(extra.end),
  place: extra.place ?? null,
  strand: extra.strand ?? null,
});

export const toMeeting = (row: Rows['meetings']): Meeting => ({
  id: row.id as MeetingId,
  key: row.place_in_pattern,
  ordinal: row.ordinal,
  ...(row.strand === null ? {} : { strand: row.strand as Strand }),
  date: Temporal.PlainDate.from(row.date),
  start: time(row.start_time),
  end: time(row.end_time),
  ...(row.until_date === null ? {} : { until: Temporal.PlainDate.from(row.until_date) }),
  moved: row.moved === 1,
  cancelled: row.cancelled ?? undefined,
  ...(row.place === null ? {} : { place: row.place }),
  sequence: row.sequence,
  lastModified: Temporal.Instant.fromEpochMilliseconds(row.modified_at),
});

export const fromMeeting = (meeting: Meeting, section: string): Rows['meetings'] => ({
  id: meeting.id,
  section_id: section,
  place_in_pattern: meeting.key,
  ordinal: meeting.ordinal,
  strand: meeting.strand ?? null,
  date: meeting.date.toString(),
  start_time: clock(meeting.start),
  end_time: clock(meeting.end),
  until_date: meeting.until?.toString() ?? null,
  moved: meeting.moved ? 1 : 0,
  cancelled: meeting.cancelled ?? null,
  place: meeting.place ?? null,
  sequence: meeting.sequence,
  modified_at: meeting.lastModified.epochMilliseconds,
});

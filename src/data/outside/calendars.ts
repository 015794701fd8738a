import { randomUUID } from 'node:crypto';
import { Temporal } from 'temporal-polyfill';
import type { CalendarId, CourseId, FileId, PersonId, TermId } from '@/core/ids';
import type { Trouble } from '@/core/icalendar/contentLines';
import type { CalendarNews } from '@/core/outside/calendarNews';
import type { ClosureRule, OutsideCalendar, OutsideTime } from '@/core/outside/outsideCalendar';
import { momentFrom, momentText } from '@/core/time/zonedWall';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run } from '../statements';
import type { Change } from '../history/change';
import type { StampScope } from '../history/stamps';
import { bumpStamps } from '../history/stamps';
import type { Rows } from '../rows';

type StoredTime = readonly [uid: string, title: string, place: string, url: string, start: string, end: string, off: 0 | 1]; // prettier-ignore

const fromTime = (time: OutsideTime): StoredTime => [
  time.uid, time.title, time.place, time.url, momentText(time.start), time.end ? momentText(time.end) : '', time.cancelled ? 1 : 0,
]; // prettier-ignore

const toTime = ([uid, title, place, url, start, end, off]: StoredTime, tzid: string): OutsideTime => ({
  uid,
  title,
  place,
  url,
  start: momentFrom(start, tzid),
  end: end === '' ? undefined : momentFrom(end, tzid),
  cancelled: off === 1,
});

type Row = Rows['calendars'] & { tzid: string; times: string | null; changed_at: number | null };

const toCalendar = (row: Row, courses: readonly CourseId[]): OutsideCalendar => ({
  id: row.id as CalendarId,
  term: row.term_id as TermId,
  name: row.name,
  url: row.url,
  ...(row.file_id === null ? {} : { file: row.file_id as FileId }),
  wholeTerm: row.whole_term === 1,
  courses,
  seenBy: row.seen_by,
  active: row.active === 1,
  closes: JSON.parse(row.closes) as ClosureRule,
  times: (JSON.parse(row.times ?? '[]') as StoredTime[]).map((time) => toTime(time, row.tzid)),
  changedAt: Temporal.Instant.fromEpochMilliseconds(row.changed_at ?? row.created_at),
});

async function load(reader: Reader, where: string, replacements: Record<string, unknown>) {
  const rows = await select<Row>(
    reader,
    `SELECT calendars.*, terms.tzid, copy.times, copy.changed_at FROM calendars JOIN terms ON terms.id = calendars.term_id
     LEFT JOIN calendar_copies AS copy ON copy.calendar_id = calendars.id WHERE ${where} ORDER BY calendars.name, calendars.id`,
    replacements,
  );
  if (rows.length === 0) return [];
  const links = await select<{ calendar_id: string; course_id: CourseId }>(
    reader,
    'SELECT calendar_id, course_id FROM calendar_courses WHERE calendar_id IN (:ids) ORDER BY course_id',
    { ids: rows.map((row) => row.id) },
  );
  return rows.map((row) =>
    toCalendar(
      row,
      links.filter((link) => link.calendar_id === row.id).map((link) => link.course_id),
    ),
  );
}

const BESIDE = `(calendars.whole_term = 1 AND calendars.term_id IN (:terms))
  OR calendars.id IN (SELECT calendar_id FROM calendar_courses WHERE course_id IN (:courses))`;

/** The calendars beside the plan of some courses: those of the courses, and those of their whole terms. */
export const calendarsOf = (
  reader: Reader,
  { terms, courses }: Readonly<{ terms: readonly TermId[]; courses: readonly CourseId[] }>,
): Promise<OutsideCalendar[]> =>
  terms.length === 0 || courses.length === 0 ? Promise.resolve([]) : load(reader, BESIDE, { terms, courses });

/** All calendars in a term, of whole terms and of courses. */
export const calendarsInTerm = (reader: Reader, term: TermId): Promise<OutsideCalendar[]> =>
  load(reader, 'calendars.term_id = :term', { term });

/** Those that the administrator keeps. */
export const wholeTermCalendars = (reader: Reader): Promise<OutsideCalendar[]> =>
  load(reader, 'calendars.whole_term = 1', {});

export const calendarById = async (reader: Reader, id: CalendarId): Promise<OutsideCalendar | undefined> =>
  (await load(reader, 'calendars.id = :id', { id }))[0];

const row = (calendar: OutsideCalendar, owner: PersonId | null, createdAt: number): Rows['calendars'] => ({
  id: calendar.id,
  term_id: calendar.term,
  owner_id: owner,
  name: calendar.name,
  url: calendar.url,
  file_id: calendar.file ?? null,
  whole_term: calendar.wholeTerm ? 1 : 0,
  seen_by: calendar.seenBy,
  active: calendar.active ? 1 : 0,
  closes: JSON.stringify(calendar.closes),
  created_at: createdAt,
});

/** Whose pages and outlets hang on a calendar. */
async function scopesOf(reader: Reader, calendar: OutsideCalendar): Promise<StampScope[]> {
  const courses = calendar.wholeTerm
    ? await select<{ id: string }>(reader, 'SELECT id FROM courses WHERE term_id = :term', {
        term: calendar.term,
      })
    : calendar.courses.map((id) => ({ id }));
  return courses.map(({ id }): StampScope => `course:${id}`);
}

export async function insertCalendar(
  change: Change,
  calendar: OutsideCalendar,
  owner: PersonId | null,
): Promise<void> {
  await change.insert('calendars', [row(calendar, owner, change.nowMs)]);
  await change.insert(
    'calendar_courses',
    calendar.courses.map((course) => ({ id: randomUUID(), calendar_id: calendar.id, course_id: course })),
  );
  change.concerns(...(await scopesOf(change, calendar)));
}

export async function updateCalendar(change: Change, calendar: OutsideCalendar): Promise<void> {
  const { name, seenBy, active, closes } = calendar;
  await change.update('calendars', calendar.id, {
    name,
    seen_by: seenBy,
    active: active ? 1 : 0,
    closes: JSON.stringify(closes),
  });
  change.concerns(...(await scopesOf(change, calendar)));
}

/** Its copy stays, so that undo brings the calendar back as it was. */
export async function removeCalendar(change: Change, calendar: OutsideCalendar): Promise<void> {
  const links = await select<{ id: string }>(
    change,
    'SELECT id FROM calendar_courses WHERE calendar_id = :id',
    { id: calendar.id },
  );
  for (const { id } of links) await change.remove('calendar_courses', id);
  await change.remove('calendars', calendar.id);
  change.concerns(...(await scopesOf(change, calendar)));
}

/** How a calendar stands with its source. Times are epoch milliseconds. */
export type CalendarState = Readonly<{
  calendar: CalendarId;
  url: string;
  file?: FileId;
  etag?: string;
  lastModified?: string;
  /** When the source last answered well; absent before it has. */
  readAt?: number;
  failingSince?: number;
  failure: string;
  /** In a row. */
  failures: number;
  troubles: readonly Trouble[];
  /** What the last refresh that changed anything changed. */
  news: readonly CalendarNews[];
}>;

type CopyRow = Readonly<{
  calendar_id: string;
  url: string;
  file_id: string | null;
  etag: string | null;
  last_modified: string | null;
  read_at: number | null;
  failing_since: number | null;
  failure: string | null;
  failures: number;
  troubles: string;
  news: string;
}>;

const toState = (copy: CopyRow): CalendarState => ({
  calendar: copy.calendar_id as CalendarId,
  url: copy.url,
  ...(copy.file_id === null ? {} : { file: copy.file_id as FileId }),
  etag: copy.etag ?? undefined,
  lastModified: copy.last_modified ?? undefined,
  readAt: copy.read_at ?? undefined,
  failingSince: copy.failing_since ?? undefined,
  failure: copy.failure ?? '',
  failures: copy.failures,
  troubles: JSON.parse(copy.troubles) as Trouble[],
  news: JSON.parse(copy.news) as CalendarNews[],
});

const STATE = `SELECT copy.*, calendars.url, calendars.file_id FROM calendar_copies AS copy
  JOIN calendars ON calendars.id = copy.calendar_id WHERE`;

export async function calendarStates(
  reader: Reader,
  ids: readonly CalendarId[],
): Promise<ReadonlyMap<CalendarId, CalendarState>> {
  if (ids.length === 0) return new Map();
  const rows = await select<CopyRow>(reader, `${STATE} copy.calendar_id IN (:ids)`, { ids });
  return new Map(rows.map((copy) => [copy.calendar_id as CalendarId, toState(copy)]));
}

/** Calendars whose time to be read has come, those that waited longest first: of files only when they are to be read anew. */
export async function calendarsDue(reader: Reader, nowMs: number, most: number): Promise<CalendarState[]> {
  const rows = await select<CopyRow>(
    reader,
    `${STATE} calendars.active = 1 AND copy.next_at <= :nowMs ORDER BY copy.next_at LIMIT :most`,
    { nowMs, most },
  );
  return rows.map(toState);
}

/** The first copy of a calendar, or none yet: `nextAtMs` says when its source is asked. */
export async function insertCopy(
  writer: Writer,
  id: CalendarId,
  { times, troubles, readAtMs, nextAtMs }: Readonly<{ times: readonly OutsideTime[]; troubles: readonly Trouble[]; readAtMs?: number; nextAtMs?: number }>,
): Promise<void> {
  await run(writer, `INSERT INTO calendar_copies (calendar_id, times, troubles, news, read_at, changed_at, failures, next_at)
     VALUES (:id, :times, :troubles, '[]', :readAt, :readAt, 0, :nextAt)`, {
        id,
        times: JSON.stringify(times.map(fromTime)),
        troubles: JSON.stringify(troubles),
        readAt: readAtMs ?? null,
        nextAt: nextAtMs ?? null,
      });
} // prettier-ignore

export type Answered = Readonly<{
  etag?: string;
  lastModified?: string;
  nowMs: number;
  /** Absent for a file, which does not change. */
  nextAtMs?: number;
}>;

/** The source answered that nothing has changed. */
export async function markUnchanged(writer: Writer, id: CalendarId, answered: Answered): Promise<void> {
  await run(
    writer,
    `UPDATE calendar_copies SET read_at = :nowMs, failing_since = NULL, failure = NULL, failures = 0, next_at = :nextAtMs,
     etag = COALESCE(:etag, etag), last_modified = COALESCE(:lastModified, last_modified) WHERE calendar_id = :id`,
    bound(id, answered),
  );
}

/** A new copy, in the place of the one before; `news` is kept until there is other news. */
export async function saveCopy(
  writer: Writer,
  calendar: OutsideCalendar,
  copy: Answered &
    Readonly<{ times: readonly OutsideTime[]; troubles: readonly Trouble[]; news: readonly CalendarNews[] }>,
): Promise<void> {
  const changed = copy.news.length > 0;
  await run(
    writer,
    `UPDATE calendar_copies SET times = :times, troubles = :troubles, ${changed ? 'news = :news, changed_at = :nowMs,' : ''}
     read_at = :nowMs, failing_since = NULL, failure = NULL, failures = 0, next_at = :nextAtMs, etag = :etag,
     last_modified = :lastModified WHERE calendar_id = :id`,
    {
      ...bound(calendar.id, copy),
      times: JSON.stringify(copy.times.map(fromTime)),
      troubles: JSON.stringify(copy.troubles),
      news: JSON.stringify(copy.news),
    },
  );
  if (changed) await bumpStamps(writer, await scopesOf(writer, calendar), copy.nowMs);
}

const bound = (id: CalendarId, { etag, lastModified, nowMs, nextAtMs }: Answered) => ({
  id,
  etag: etag ?? null,
  lastModified: lastModified ?? null,
  nowMs,
  nextAtMs: nextAtMs ?? null,
});

/** The source did not answer well: the copy stays, and its age is told. */
export async function markFailed(
  writer: Writer,
  id: CalendarId,
  { failure, nowMs, nextAtMs }: Readonly<{ failure: string; nowMs: number; nextAtMs: number }>,
): Promise<void> {
  await run(
    writer,
    `UPDATE calendar_copies SET failing_since = COALESCE(failing_since, :nowMs), failure = :failure,
     failures = failures + 1, next_at = :nextAtMs WHERE calendar_id = :id`,
    { id, failure, nowMs, nextAtMs },
  );
}

/** The calendars of a term are to be read anew, without conditions: the term's dates or zone have changed. */
export async function readAnew(writer: Writer, term: TermId): Promise<void> {
  await run(
    writer,
    `UPDATE calendar_copies SET next_at = 0, etag = NULL, last_modified = NULL
     WHERE calendar_id IN (SELECT id FROM calendars WHERE term_id = :term)`,
    { term },
  );
}

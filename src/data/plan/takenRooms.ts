import { Temporal } from 'temporal-polyfill';
import type { TakenRoom } from '@/core/checks/check';
import type { CourseId, TermId } from '@/core/ids';
import type { Reader } from '../reader';
import { select } from '../database';

type Asked = Readonly<{
  term: TermId;
  except: readonly CourseId[];
  from: Temporal.PlainDate;
  places: readonly string[];
}>;

/** The classes of other courses in some rooms (named in small letters), from a day on. */
export async function takenRooms(reader: Reader, { term, except, from, places }: Asked): Promise<TakenRoom[]> {
  if (places.length === 0) return [];
  const rows = await select<{ place: string; code: string; date: string; start: string; end: string }>(
    reader,
    `SELECT LOWER(TRIM(COALESCE(meetings.place, courses.place))) AS place, courses.code, meetings.date,
       meetings.start_time AS start, meetings.end_time AS "end"
     FROM meetings JOIN sections ON sections.id = meetings.section_id JOIN courses ON courses.id = sections.course_id
     WHERE courses.term_id = :term AND courses.id NOT IN (:except) AND courses.archived_at IS NULL
       AND meetings.cancelled IS NULL AND meetings.until_date IS NULL AND meetings.date >= :from
       AND LOWER(TRIM(COALESCE(meetings.place, courses.place))) IN (:places)
     ORDER BY meetings.date, meetings.start_time, courses.code`,
    { term, except, from: from.toString(), places },
  );
  return rows.map(({ date, start, end, ...room }) => ({
    ...room,
    date: Temporal.PlainDate.from(date),
    start: Temporal.PlainTime.from(start),
    end: Temporal.PlainTime.from(end),
  }));
} // prettier-ignore

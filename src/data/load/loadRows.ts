import { Temporal } from 'temporal-polyfill';
import type { CourseId, GroupId, PersonId, SectionId } from '@/core/ids';
import { groupBy } from '@/core/groupBy';
import { pacedDay } from '@/core/entries/ownDates';
import type { OwnStart } from '@/core/entries/pacing';
import type { DueWork, Taking } from '@/core/load/loadItems';
import { toAudience } from '../audiences';
import type { Reader } from '../reader';
import { select } from '../database';
import { toPacing } from '../entries/entryRows';
import { startsIn } from '../entries/ownStarts';
import type { Rows } from '../rows';

/** Everything that the students of a course take in the terms that overlap with its own. */
export async function takenByStudentsOf(reader: Reader, course: CourseId): Promise<Taking[]> {
  const [enrolled, groups] = await Promise.all([
    select<{ person: PersonId; course: CourseId; section: SectionId | null }>(
      reader,
      `SELECT r.person_id AS person, r.course_id AS course, r.section_id AS section
       FROM roster own JOIN roster r ON r.person_id = own.person_id
         JOIN courses c ON c.id = r.course_id JOIN terms t ON t.id = c.term_id
         JOIN courses oc ON oc.id = own.course_id JOIN terms ot ON ot.id = oc.term_id
       WHERE own.course_id = :course AND t.starts_on <= ot.ends_on AND t.ends_on >= ot.starts_on`,
      { course },
    ),
    select<{ person: PersonId; group: GroupId }>(
      reader,
      `SELECT m.person_id AS person, m.group_id AS "group" FROM group_members m
       WHERE m.person_id IN (SELECT person_id FROM roster WHERE course_id = :course)`,
      { course },
    ),
  ]);
  const groupsOf = groupBy(groups, ({ person }) => person);
  return enrolled.map(({ section, ...taking }) => ({
    ...taking,
    ...(section === null ? {} : { section }),
    groups: (groupsOf.get(taking.person) ?? []).map(({ group }) => group),
  }));
}

type DueRow = Readonly<{
  id: string;
  title: string;
  start_local: string;
  set_on: string | null;
  effort_minutes: number | null;
  section_dates: string | null;
  opens_local: string | null;
  pacing: string | null;
  visibility: string;
  shown_from: string | null;
  shown_days_before: number | null;
}>;
type StoredDates = readonly Readonly<{ section: SectionId; due: string; setOn?: string }>[];

/** `start` is when it is due, as a wall time; `seen` says whether students see it by a day. */
export type StoredWork = Readonly<{ work: DueWork; start: string; seen: (today: string) => boolean }>;

const dayText = (moment: string) => moment.slice(0, 'yyyy-mm-dd'.length);

/** Whether it is shown on a day. Within a day it counts as shown from its beginning. */
function seenOn({ visibility, shown_from, shown_days_before, start_local }: DueRow, today: string): boolean {
  if (visibility === 'draft') return false;
  if (visibility === 'from') return shown_from !== null && dayText(shown_from) <= today;
  if (visibility !== 'before') return true;
  const from = Temporal.PlainDate.from(dayText(start_local)).subtract({ days: shown_days_before ?? 0 });
  return from.toString() <= today;
}

/** When work is due for those who have begun; whoever was given a date singly has that. */
function daysByStart(
  row: DueRow,
  {
    parts,
    starts,
    extensions,
  }: Readonly<{
    parts: readonly Rows['entry_audiences'][];
    starts: readonly OwnStart[];
    extensions: readonly Rows['extensions'][];
  }>,
): DueWork['byStart'] {
  if (row.pacing === null) return undefined;
  const pacing = toPacing(row.pacing);
  const given = new Map(extensions.map((x) => [x.person_id, x]));
  const days = new Map<PersonId, Readonly<{ day: string; last?: string }>>();
  // Who began several of its courses: the first counts.
  const inTurn = [...starts].sort((a, b) => Temporal.PlainDate.compare(b.on, a.on));
  for (const { person, course, on } of inTurn) {
    const extension = given.get(person);
    if (!parts.some((part) => part.course_id === course) || (extension && !extension.arranged)) continue;
    const last = extension && dayText(extension.due_local);
    const later = last ? daysBetween(dayText(row.start_local), last) : 0;
    const day = pacedDay(pacing, on.add({ days: later })).toString();
    const opens = row.opens_local === null ? '' : dayText(row.opens_local);
    days.set(person, { day: day < opens ? opens : day, ...(last ? { last } : {}) });
  }
  return days;
}

const daysBetween = (from: string, to: string) =>
  Temporal.PlainDate.from(from).until(Temporal.PlainDate.from(to), { largestUnit: 'days' }).days;

/** Work due in some courses from a day on to another, both included. */
export async function workIn(
  reader: Reader,
  courses: readonly CourseId[],
  { from, to }: Readonly<{ from: string; to: string }>,
): Promise<StoredWork[]> {
  if (courses.length === 0) return [];
  const WHERE = `e.kind = 'assignment' AND e.cancelled IS NULL AND e.start_local >= :from
    AND (e.start_local < :until OR e.pacing IS NOT NULL)
    AND e.id IN (SELECT entry_id FROM entry_audiences WHERE course_id IN (:courses))`;
  // Behind every time of the last day.
  const values = { courses, from, until: `${to}U` };
  const [rows, parts, extended] = await Promise.all([
    select<DueRow>(
      reader,
      `SELECT e.id, e.title, e.start_local, e.set_on, e.effort_minutes, e.section_dates, e.opens_local, e.pacing, e.visibility, e.shown_from, e.shown_days_before
       FROM entries e WHERE ${WHERE} ORDER BY e.start_local, e.id`,
      values,
    ),
    select<Rows['entry_audiences']>(
      reader,
      `SELECT a.* FROM entry_audiences a JOIN entries e ON e.id = a.entry_id WHERE ${WHERE}`,
      values,
    ),
    select<Rows['extensions']>(
      reader,
      `SELECT x.* FROM extensions x JOIN entries e ON e.id = x.entry_id WHERE ${WHERE}`,
      values,
    ),
  ]);
  const paced = new Set(rows.filter(({ pacing }) => pacing !== null).map(({ id }) => id));
  const starts = await startsIn(
    reader,
    parts.filter((part) => paced.has(part.entry_id)).map((part) => part.course_id as CourseId),
  );
  const partsOf = groupBy(parts, (part) => part.entry_id);
  const extensionsOf = groupBy(extended, (extension) => extension.entry_id);
  return rows.map((row) => {
    const extensions = extensionsOf.get(row.id) ?? [];
    const byStart = daysByStart(row, {
      parts: partsOf.get(row.id) ?? [],
      starts,
      extensions,
    });
    const sections = row.section_dates ? (JSON.parse(row.section_dates) as StoredDates) : [];
    return {
      work: {
        id: row.id,
        title: row.title,
        due: dayText(row.start_local),
        ...(row.set_on === null ? {} : { setOn: row.set_on }),
        ...(row.effort_minutes === null ? {} : { minutes: row.effort_minutes }),
        exam: false,
        audience: (partsOf.get(row.id) ?? []).map(toAudience),
        bySection: new Map(
          sections.map(({ section, due, setOn }) => [section, { due: dayText(due), setOn }]),
        ),
        byPerson: new Map(extensions.map((x) => [x.person_id as PersonId, dayText(x.due_local)])),
        ...(byStart ? { byStart } : {}),
      },
      start: row.start_local,
      seen: (today) => seenOn(row, today),
    };
  });
}

/** The tags of those courses that let colleagues read the titles of their work. */
export async function sharedTags(
  reader: Reader,
  courses: readonly CourseId[],
): Promise<ReadonlyMap<CourseId, string>> {
  const rows = await select<Readonly<{ id: CourseId; tag: string }>>(
    reader,
    'SELECT id, tag FROM courses WHERE shares_titles = 1 AND id IN (:courses)',
    { courses },
  );
  return new Map(rows.map(({ id, tag }) => [id, tag]));
}

/** Classes whose plan holds its date: exams. */
export async function examsIn(reader: Reader, courses: readonly CourseId[]): Promise<DueWork[]> {
  if (courses.length === 0) return [];
  const rows = await select<
    Readonly<{ id: string; title: string; course: CourseId; section: SectionId; date: string }>
  >(
    reader,
    `SELECT p.id, p.title, p.course_id AS course, b.section_id AS section, m.date
     FROM class_plans p JOIN plan_bindings b ON b.plan_id = p.id JOIN meetings m ON m.id = b.meeting_id
     WHERE p.pinned = 1 AND m.cancelled IS NULL AND p.course_id IN (:courses)`,
    { courses },
  );
  return rows.map(({ id, title, course, section, date }) => ({
    id,
    title,
    due: date,
    setOn: date,
    exam: true,
    audience: [{ course, sections: [section] }],
    bySection: new Map(),
    byPerson: new Map(),
  }));
}

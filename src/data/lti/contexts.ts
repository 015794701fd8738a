import type { CourseId, PersonId, SectionId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run } from '../statements';

/** A course of a site that is a course of ours, or one of its sections. */
export type LinkedContext = Readonly<{
  id: string;
  platform: string;
  deployment: string;
  context: string;
  title: string;
  course: CourseId;
  section?: SectionId;
  membersUrl?: string;
  /** Whether the roster follows the site's list by itself. */
  follows: boolean;
  readAtMs?: number;
  /** What the last reading did, as JSON. */
  report?: string;
}>;

type Row = Readonly<{
  id: string;
  platform_id: string;
  deployment: string;
  context: string;
  title: string;
  course_id: CourseId;
  section_id: SectionId | null;
  members_url: string | null;
  follows: number;
  read_at: number | null;
  report: string | null;
}>;

const toContext = (row: Row): LinkedContext => ({
  id: row.id,
  platform: row.platform_id,
  deployment: row.deployment,
  context: row.context,
  title: row.title,
  course: row.course_id,
  ...(row.section_id === null ? {} : { section: row.section_id }),
  ...(row.members_url === null ? {} : { membersUrl: row.members_url }),
  follows: row.follows === 1,
  ...(row.read_at === null ? {} : { readAtMs: Number(row.read_at) }),
  ...(row.report === null ? {} : { report: row.report }),
});

const find = async (reader: Reader, where: string, values: Record<string, unknown>): Promise<LinkedContext[]> =>
  (await select<Row>(reader, `SELECT * FROM lti_contexts WHERE ${where} ORDER BY linked_at, id`, values)).map(toContext); // prettier-ignore

type Place = Readonly<{ platform: string; deployment: string; context: string }>;

export const contextAt = async (reader: Reader, place: Place): Promise<LinkedContext | undefined> =>
  (
    await find(reader, 'platform_id = :platform AND deployment = :deployment AND context = :context', place)
  )[0];

export const contextById = async (reader: Reader, id: string): Promise<LinkedContext | undefined> =>
  (await find(reader, 'id = :id', { id }))[0];

export const contextsOfCourse = (reader: Reader, course: CourseId): Promise<LinkedContext[]> =>
  find(reader, 'course_id = :course', { course });

/** Those whose rosters follow their site. */
export const followingContexts = (reader: Reader): Promise<LinkedContext[]> =>
  find(reader, 'follows = 1 AND members_url IS NOT NULL', {});

type NewContext = Omit<LinkedContext, 'follows' | 'readAtMs' | 'report'> &
  Readonly<{ linkedBy: PersonId; nowMs: number }>;

export const insertContext = (writer: Writer, { section, membersUrl, ...context }: NewContext) =>
  run(
    writer,
    `INSERT INTO lti_contexts (id, platform_id, deployment, context, title, course_id, section_id, members_url, linked_by, linked_at)
     VALUES (:id, :platform, :deployment, :context, :title, :course, :section, :membersUrl, :linkedBy, :nowMs)`,
    { ...context, section: section ?? null, membersUrl: membersUrl ?? null },
  );

export const removeContext = (writer: Writer, id: string) =>
  run(writer, 'DELETE FROM lti_contexts WHERE id = :id', { id });

/** A site may call its course otherwise by now, or list its members elsewhere; not every launch says where. */
export const noteContext = (writer: Writer, id: string, { title, membersUrl }: Pick<LinkedContext, 'title' | 'membersUrl'>) =>
  run(writer, 'UPDATE lti_contexts SET title = :title, members_url = COALESCE(:membersUrl, members_url) WHERE id = :id', { id, title, membersUrl: membersUrl ?? null }); // prettier-ignore

export const writeFollows = (writer: Writer, id: string, follows: boolean) =>
  run(writer, 'UPDATE lti_contexts SET follows = :follows WHERE id = :id', { id, follows: follows ? 1 : 0 });

export const noteMembersRead = (writer: Writer, id: string, { atMs, report }: Readonly<{ atMs: number; report: string }>) =>
  run(writer, 'UPDATE lti_contexts SET read_at = :atMs, report = :report WHERE id = :id', { id, atMs, report }); // prettier-ignore

/** Who is missing from a site's list, since when in epoch milliseconds. */
export async function absencesOnSite(reader: Reader, context: string): Promise<ReadonlyMap<PersonId, number>> {
  const rows = await select<{ person: PersonId; since: number }>(
    reader,
    'SELECT person_id AS person, since FROM lti_absences WHERE context_id = :context',
    { context },
  );
  return new Map(rows.map(({ person, since }) => [person, Number(since)]));
} // prettier-ignore

export async function putAbsencesOnSite(writer: Writer, context: string, since: ReadonlyMap<PersonId, number>): Promise<void> {
  await run(writer, 'DELETE FROM lti_absences WHERE context_id = :context', { context });
  for (const [person, ms] of since)
    await run(writer, 'INSERT INTO lti_absences (context_id, person_id, since) VALUES (:context, :person, :ms)', { context, person, ms });
} // prettier-ignore

import { randomUUID } from 'node:crypto';
import type { SiteRole } from '@/core/lti/role';
import type { CourseId, PersonId, SectionId } from '@/core/ids';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run } from '../statements';

/** Whom a course site means by `subject`. */
export async function siteAccount(reader: Reader, issuer: string, subject: string): Promise<PersonId | undefined> {
  const [row] = await select<{ person_id: PersonId }>(
    reader,
    'SELECT person_id FROM lti_accounts WHERE issuer = :issuer AND subject = :subject',
    { issuer, subject },
  );
  return row?.person_id;
} // prettier-ignore

export type SiteAccount = Readonly<{ id: string; issuer: string; linkedAtMs: number }>;

export async function siteAccountsOf(reader: Reader, person: PersonId): Promise<SiteAccount[]> {
  const rows = await select<{ id: string; issuer: string; linked_at: number }>(
    reader,
    'SELECT id, issuer, linked_at FROM lti_accounts WHERE person_id = :person ORDER BY linked_at, id',
    { person },
  );
  return rows.map(({ linked_at: linkedAtMs, ...row }) => ({ ...row, linkedAtMs: Number(linkedAtMs) }));
}

type NewAccount = Readonly<{ person: PersonId; issuer: string; subject: string; role: SiteRole | undefined; nowMs: number }>; // prettier-ignore

export const insertSiteAccount = (writer: Writer, { role, ...account }: NewAccount) =>
  run(
    writer,
    `INSERT INTO lti_accounts (id, issuer, subject, person_id, role, linked_at) VALUES (:id, :issuer, :subject, :person, :role, :nowMs)`,
    { ...account, id: randomUUID(), role: role ?? '' },
  );

/** What the site says somebody is there, as of the last launch. */
export const noteSiteRole = (writer: Writer, issuer: string, subject: string, role: SiteRole | undefined) =>
  run(writer, 'UPDATE lti_accounts SET role = :role WHERE issuer = :issuer AND subject = :subject', { issuer, subject, role: role ?? '' }); // prettier-ignore

/** Takes a link away; whose it is has to be said. Whoever came by it has to sign in anew. */
export async function removeSiteAccount(writer: Writer, id: string, person: PersonId): Promise<boolean> {
  const found = await select(writer, 'SELECT id FROM lti_accounts WHERE id = :id AND person_id = :person', { id, person }); // prettier-ignore
  await run(writer, 'DELETE FROM lti_accounts WHERE id = :id AND person_id = :person', { id, person });
  await run(writer, 'DELETE FROM sessions WHERE person_id = :person AND platform_id IS NOT NULL', { person });
  return found.length > 0;
}

/** A course's students, with what a site calls those whom it told us of. */
export const studentsOnSite = (
  reader: Reader,
  course: CourseId,
  issuer: string,
): Promise<
  Readonly<{
    person: PersonId;
    email: string;
    name: string;
    subject: string | null;
    section: SectionId | null;
  }>[]
> =>
  select(
    reader,
    `SELECT people.id AS person, people.email, COALESCE(roster.listed_name, people.name) AS name, lti_accounts.subject, roster.section_id AS section
     FROM roster JOIN people ON people.id = roster.person_id
     LEFT JOIN lti_accounts ON lti_accounts.person_id = people.id AND lti_accounts.issuer = :issuer
     WHERE roster.course_id = :course ORDER BY 3, 1`,
    { course, issuer },
  );

import { randomUUID } from 'node:crypto';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run } from '../statements';

/** What the office, or whoever changes a staff, did to people. */
export type OfficeAct =
  | 'exported'
  | 'erased'
  | 'corrected'
  | 'administrator'
  | 'noAdministrator'
  | 'deactivated'
  | 'activated'
  | 'resetSecondStep'
  | 'staff'
  | 'made'
  | 'held'
  | 'retention'
  /** A guardian's address: issued, ended, barred. */
  | 'guardian'
  | 'token'
  | 'webhook'
  | 'webhookAgreed'
  /** Course sites: connected or changed, disconnected; a course linked with one, and no more. */
  | 'platform'
  | 'platformEnded'
  | 'site'
  | 'siteEnded'
  | 'minor';

type Note = Readonly<{
  act: OfficeAct;
  /** Null: from the server's own terminal. */
  actor: string | null;
  person?: string;
  course?: string;
  /** A role or the name of a field: never a name or an address of a person. */
  detail?: string;
}>;

/** Writes down what was done to somebody, by ids alone. Within the transaction that does it. */
export async function noteInOffice(
  writer: Writer & Readonly<{ nowMs: number }>,
  { act, actor, person, course, detail = '' }: Note,
): Promise<void> {
  await run(
    writer,
    `INSERT INTO office_log (id, at, actor_id, act, person_id, course_id, detail)
     VALUES (:id, :at, :actor, :act, :person, :course, :detail)`,
    {
      id: randomUUID(),
      at: writer.nowMs,
      actor,
      act,
      person: person ?? null,
      course: course ?? null,
      detail,
    },
  );
}

export type OfficeLine = Readonly<{
  id: string;
  atMs: number;
  act: OfficeAct;
  /** Names as they are now; null: nobody, or somebody who is gone. */
  actor: string | null;
  person: string | null;
  course: string | null;
  detail: string;
}>;

/** The newest notes first. */
export async function officeLines(reader: Reader, most: number): Promise<OfficeLine[]> {
  const rows = await select<Omit<OfficeLine, 'atMs'> & { at: number }>(
    reader,
    `SELECT office_log.id, at, act, actors.name AS actor, people.name AS person, courses.code AS course, detail FROM office_log
     LEFT JOIN people AS actors ON actors.id = actor_id LEFT JOIN people ON people.id = office_log.person_id
     LEFT JOIN courses ON courses.id = office_log.course_id ORDER BY at DESC, office_log.id LIMIT ${Math.floor(most)}`,
  );
  return rows.map(({ at, ...row }) => ({ ...row, atMs: at }));
}

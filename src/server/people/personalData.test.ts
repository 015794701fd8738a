import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { emptySchool } from '../../../tests/support/school';
import type { PersonId } from '@/core/ids';
import { loadDemo } from '../demo/loadDemo';
import { demoId } from '../demo/demoIds';
import { MAREN, OFFICE, STUDENTS, TOBIAS } from '../demo/people';
import { erasuresIn } from './erasures';
import { eraseAccount } from './erase';
import type { Pembit } from '../pembit';
import { viewerOf } from '@/data/people/people';
import { select } from '@/data/database';
import { tableNames } from '@/data/dialect';
import { HELD, personalData } from '@/data/people/personalData';

let school: Awaited<ReturnType<typeof emptySchool>>;
let pembit: Pembit;
const IVO = STUDENTS[0]!;

/** One row in every table that can name a person, beside what the demo has. */
async function fill(id: PersonId, email: string): Promise<void> {
  const n = email.slice(0, 3);
  const run = (sql: string) =>
    pembit.sequelize.query(sql, { replacements: { id, email, course: demoId('HL 210') } });
  const [entry] = await select<{ id: string }>(
    pembit,
    `SELECT id FROM entries WHERE kind = 'assignment' LIMIT 1`,
  );
  const [slot] = await select<{ id: string }>(pembit, 'SELECT id FROM slots WHERE id NOT IN (SELECT slot_id FROM bookings) LIMIT 1'); // prettier-ignore
  const [group] = await select<{ id: string }>(pembit, 'SELECT id FROM course_groups LIMIT 1');
  const [sheet] = await select<{ id: string }>(pembit, 'SELECT id FROM sheets LIMIT 1');
  const [part] = await select<{ id: string }>(pembit, 'SELECT id FROM entry_audiences LIMIT 1');
  const statements = [
    `INSERT INTO waiting (id, slot_id, person_id, created_at) VALUES ('${n}w', '${slot!.id}', :id, 1)`,
    `INSERT INTO bookings (id, uid, slot_id, seat, person_id, note, sequence, created_at, modified_at) VALUES ('${n}b', '${n}b', '${slot!.id}', 1, :id, 'A private matter', 0, 1, 1) ON CONFLICT DO NOTHING`,
    `INSERT INTO hosts (id, sheet_id, person_id) VALUES ('${n}h', '${sheet!.id}', :id) ON CONFLICT DO NOTHING`,
    `UPDATE slots SET host_id = :id WHERE id = '${slot!.id}'`,
    `INSERT INTO replies (id, entry_id, person_id, answer) VALUES ('${n}r', '${entry!.id}', :id, 'coming') ON CONFLICT DO NOTHING`,
    `INSERT INTO extensions (id, entry_id, person_id, due_local) VALUES ('${n}x', '${entry!.id}', :id, '2026-10-20T10:00') ON CONFLICT DO NOTHING`,
    `INSERT INTO done_marks (id, person_id, entry_id, done_at) VALUES ('${n}d', :id, '${entry!.id}', 1) ON CONFLICT DO NOTHING`,
    `INSERT INTO shown (person_id, entry_id, sequence, at, first_at) VALUES (:id, '${entry!.id}', 0, 1, 1) ON CONFLICT DO NOTHING`,
    `INSERT INTO group_members (id, group_id, person_id) VALUES ('${n}g', '${group!.id}', :id) ON CONFLICT DO NOTHING`,
    `UPDATE entry_audiences SET people = '["' || :id || '"]' WHERE id = '${part!.id}'`,
    `UPDATE sheet_audiences SET people = '["' || :id || '"]' WHERE sheet_id = '${sheet!.id}'`,
    `INSERT INTO tombstones (id, uid, course_id, people, start_local, tzid, sequence, gone_at) VALUES ('${n}t', 't', :course, '["' || :id || '"]', '2026-10-20', 'America/Halifax', 1, 1)`,
    `INSERT INTO person_settings (id, settings) VALUES (:id, '{}') ON CONFLICT DO NOTHING`,
    `INSERT INTO looked (person_id, looked_at, told_at) VALUES (:id, 1, 1) ON CONFLICT DO NOTHING`,
    `INSERT INTO files (id, hash, name, media_type, size, owner_id, created_at) VALUES ('${n}f', 'f', 'f', 'text/plain', 1, :id, 1)`,
    `UPDATE calendars SET owner_id = :id WHERE id = (SELECT id FROM calendars LIMIT 1)`,
    `INSERT INTO dismissals (id, finding, fingerprint, reason, person_id, created_at) VALUES ('${n}z', '${n}z', '0', '', :id, 1)`,
    `INSERT INTO corrections (id, course_id, person_id, name, email, asked_by, created_at) VALUES ('${n}c', :course, :id, 'N', 'e', :id, 1)`,
    `INSERT INTO offered_places (id, course_id, person_id, listed_name, created_at) VALUES ('${n}o', :course, :id, 'N', 1)`,
    `INSERT INTO departures (id, course_id, person_id, join_generation) VALUES ('${n}p', :course, :id, 1)`,
    `INSERT INTO school_accounts (id, person_id, issuer, subject, linked_at) VALUES ('${n}s', :id, 'https://i.example', '${n}', 1)`,
    `INSERT INTO lti_accounts (id, issuer, subject, person_id, role, linked_at) VALUES ('${n}la', 'https://site.example', '${n}', :id, 'takes', 1)`,
    `INSERT INTO lti_platforms (id, name, issuer, client_id, keys_url, auth_url, token_url, token_audience, origins, asks_names, accepted, created_at)
     VALUES ('lp', 'Site', 'https://site.example', 'c', 'k', 'a', 't', '', '[]', 1, 1, 1) ON CONFLICT DO NOTHING`,
    `INSERT INTO lti_contexts (id, platform_id, deployment, context, title, course_id, linked_by, linked_at) VALUES ('${n}lc', 'lp', '1', '${n}', 'T', :course, :id, 1)`,
    `INSERT INTO lti_absences (context_id, person_id, since) VALUES ('${n}lc', :id, 1)`,
    `INSERT INTO lti_placings (id, platform_id, person_id, launch, until) VALUES ('${n}lp', 'lp', :id, '{}', 1)`,
    `INSERT INTO second_steps (person_id, secret) VALUES (:id, 'x') ON CONFLICT DO NOTHING`,
    `INSERT INTO sessions (id, person_id, created_at, seen_at) VALUES ('${n}se', :id, 1, 1)`,
    `INSERT INTO invitations (id, person_id, expires_at) VALUES ('${n}i', :id, 1)`,
    `INSERT INTO mail_links (id, person_id, sheet_id, expires_at) VALUES ('${n}m', :id, 's', 1)`,
    `INSERT INTO join_requests (id, course_id, name, email, join_generation, expires_at) VALUES ('${n}j', :course, 'N', :email, 1, 1)`,
    `INSERT INTO outbox (id, recipient, subject, body, sender_id, state, attempts, next_attempt_at, created_at) VALUES ('${n}l', :email, 's', 'Hello', :id, 'sent', 1, 1, 1)`,
    `INSERT INTO office_log (id, at, actor_id, act, person_id) VALUES ('${n}ol', 1, :id, 'corrected', :id)`,
    `INSERT INTO history (id, at, actor_id, act, summary, scopes, changes) VALUES ('${n}hi', 1, :id, 'moveStudent', 'Took {{person ' || :id || '}} off', '["person:' || :id || '"]', '[{"table":"roster","id":"x","before":{"person_id":"' || :id || '"},"after":null}]')`,
    `INSERT INTO stamps (scope, value, changed_at) VALUES ('person:' || :id, 1, 1) ON CONFLICT DO NOTHING`,
    `INSERT INTO entries (id, uid, kind, title, description, tzid, start_local, start_at, place, hand_in, visibility, sequence, created_at, modified_at, author_id) VALUES ('${n}en', '${n}en', 'note', 'Mine', '', 'America/Halifax', '2026-10-20', 1, '', '', 'visible', 0, 1, 1, :id)`,
    `INSERT INTO outlets (id, kind, audience, name, owner_id, generation, token_hash, composition) VALUES ('${n}ou', 'feed', 'personal', 'F', :id, 1, '${n}th', '{}') ON CONFLICT DO NOTHING`,
  ];
  for (const statement of statements)
    await run(statement).catch((error: unknown) => {
      throw new Error(statement, { cause: error });
    });
}

/** By table and column: where a text holds one of some words. */
async function places(words: readonly string[]): Promise<string[]> {
  const found: string[] = [];
  const tables = await select<{ name: string }>(pembit, tableNames(pembit));
  for (const { name } of tables)
    for (const row of await select<Record<string, unknown>>(pembit, `SELECT * FROM ${name}`))
      for (const [column, value] of Object.entries(row))
        if (typeof value === 'string' && words.some((word) => value.includes(word)))
          found.push(`${name} ${column}`);
  return [...new Set(found)];
}

beforeAll(async () => {
  school = await emptySchool();
  pembit = school.pembit;
  await loadDemo(pembit);
}, 120_000);
afterAll(() => school.close());

describe.each([
  ['a student', IVO],
  ['somebody who teaches', TOBIAS],
])('%s', (_, person) => {
  test('is in their export with every table that names them', async () => {
    await fill(person.id, person.email);
    const named = new Set((await places([person.id, person.email])).map((place) => place.split(' ')[0]!));
    // Counters of changes and of tries hold nothing about anybody.
    for (const table of ['stamps', 'tries']) named.delete(table);
    expect([...named].filter((table) => !(table in HELD))).toEqual([]);
    const data = (await personalData(pembit, person.id))!;
    const silent = [...named].filter((table) => data[table]!.length === 0);
    expect(silent).toEqual([]);
  });

  test('is erased from every column; the office’s log and the journal keep the id alone', async () => {
    const office = { person: { id: OFFICE.id, email: OFFICE.email, name: OFFICE.name, isAdmin: true, deactivated: false }, viewer: await viewerOf(pembit, OFFICE.id, pembit.now()), session: '' }; // prettier-ignore
    const outcome = await eraseAccount(pembit, office, {
      id: person.id,
      email: person.email,
      successor: MAREN.id,
    });
    expect(outcome).toMatchObject({ ok: true });
    const left = await places([person.id, person.email, person.name, 'A private matter']);
    expect(left.sort()).toEqual(['office_log actor_id', 'office_log person_id']);
    expect(erasuresIn(pembit.config.dataFolder).map(({ id }) => id)).toContain(person.id);
  });
});

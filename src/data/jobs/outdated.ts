import type { Retention } from '@/core/frame/retention';
import { daysKept } from '@/core/frame/retention';
import { withoutTokens } from '@/core/mail/withoutTokens';
import type { HistoryId, PersonId } from '@/core/ids';
import { select } from '../database';
import { run } from '../statements';
import type { RowChange } from '../history/change';
import type { Writer } from '../reader';

const DAY = 24 * 3_600_000;
/** The longest any session lives. */
const SESSION_DAYS = 90;
/** After so long what opens something is cut from letters that never arrived. */
const LINK_DAYS = 30;

/** Forgets what has run out by itself: sessions, links, requests. */
export async function forgetOutdated(writer: Writer, nowMs: number): Promise<void> {
  await run(writer, 'DELETE FROM sessions WHERE created_at < :before', {
    before: nowMs - SESSION_DAYS * DAY,
  });
  for (const table of ['invitations', 'mail_links', 'join_requests'])
    await run(writer, `DELETE FROM ${table} WHERE expires_at < :nowMs`, { nowMs });
  for (const table of ['lti_arrivals', 'lti_placings', 'lti_spent', 'lti_registrations'])
    await run(writer, `DELETE FROM ${table} WHERE until < :nowMs`, { nowMs });
  const old = await select<{ id: string; body: string }>(
    writer,
    `SELECT id, body FROM outbox WHERE state <> 'sent' AND created_at < :before`,
    { before: nowMs - LINK_DAYS * DAY },
  );
  for (const { id, body } of old)
    if (withoutTokens(body) !== body)
      await run(writer, 'UPDATE outbox SET body = :body WHERE id = :id', { id, body: withoutTokens(body) });
}

/** Takes an act out of the history: what goes for age is not kept by what took it away. */
export async function forgetAct(writer: Writer, id: HistoryId): Promise<void> {
  await run(writer, 'DELETE FROM history WHERE id = :id', { id });
  await run(writer, 'DELETE FROM events WHERE history_id = :id', { id });
}

/** Takes rows of some tables out of the history, wherever it names them: what is gone for age leaves nothing there. */
async function leaveHistory(
  writer: Writer,
  gone: (change: RowChange) => boolean,
  mentions: readonly string[],
  nowMs: number,
): Promise<void> {
  for (const mention of mentions) {
    const rows = await select<{ id: string; changes: string }>(
      writer,
      'SELECT id, changes FROM history WHERE changes LIKE :mention',
      { mention: `%${mention}%` },
    );
    for (const { id, changes } of rows) {
      const all = JSON.parse(changes) as RowChange[];
      const left = all.filter((change) => !gone(change));
      if (left.length < all.length)
        await run(writer, 'UPDATE history SET changes = :changes, undone_at = COALESCE(undone_at, :nowMs) WHERE id = :id', { id, changes: JSON.stringify(left), nowMs }); // prettier-ignore
    }
  }
}

/** Times that are over for long: what was said when they were taken goes with them, in the history as well. */
async function forgetBookings(writer: Writer, beforeMs: number, nowMs: number): Promise<void> {
  const old = await select<{ id: string }>(
    writer,
    'SELECT bookings.id FROM bookings JOIN slots ON slots.id = slot_id WHERE slots.end_at < :beforeMs',
    { beforeMs },
  );
  for (const { id } of old) await run(writer, 'DELETE FROM bookings WHERE id = :id', { id });
  // Also those that were given back, or went with their time: an old row in the history says when it was made.
  const isOld = ({ table, id, before, after }: RowChange) =>
    table === 'bookings' &&
    (old.some((row) => row.id === id) || Number((after ?? before)?.modified_at ?? nowMs) < beforeMs);
  await leaveHistory(writer, isOld, ['"table":"bookings"'], nowMs);
}

async function forgetReadDates(writer: Writer, beforeMs: number): Promise<void> {
  await run(writer, 'DELETE FROM shown WHERE at < :beforeMs', { beforeMs });
  await run(writer, 'DELETE FROM outlet_reads WHERE last_at < :beforeMs', { beforeMs });
  await run(writer, 'DELETE FROM link_tests WHERE tested_at < :beforeMs', { beforeMs });
}

/** People on no roster and no staff who have not come for so long; the caller erases them. */
async function peopleToForget(writer: Writer, beforeMs: number): Promise<PersonId[]> {
  const rows = await select<{ id: PersonId }>(
    writer,
    `SELECT id FROM people WHERE is_admin = 0 AND created_at < :beforeMs AND COALESCE(came_at, 0) < :beforeMs
       AND id NOT IN (SELECT person_id FROM roster) AND id NOT IN (SELECT person_id FROM staff)
       AND id NOT IN (SELECT person_id FROM sessions WHERE seen_at >= :beforeMs)
       AND id NOT IN (SELECT person_id FROM offered_places)`,
    { beforeMs },
  );
  return rows.map((row) => row.id);
}

/** Uploaded sound and film from before then: nothing leads to it any more, and its bytes can go. */
async function forgetRecordings(writer: Writer, beforeMs: number): Promise<string[]> {
  const RECORDINGS = `created_at < :beforeMs AND (media_type LIKE 'audio/%' OR media_type LIKE 'video/%')`;
  const old = await select<{ id: string; hash: string }>(writer, `SELECT id, hash FROM files WHERE ${RECORDINGS}`, { beforeMs }); // prettier-ignore
  await run(writer, `DELETE FROM files WHERE ${RECORDINGS}`, { beforeMs });
  const left = await select<{ hash: string }>(writer, 'SELECT DISTINCT hash FROM files');
  const kept = new Set(left.map(({ hash }) => hash));
  return [...new Set(old.map(({ hash }) => hash))].filter((hash) => !kept.has(hash));
}

export type Forgotten = Readonly<{
  /** Who is to be erased. */
  people: readonly PersonId[];
  /** Files that nothing names any more. */
  hashes: readonly string[];
}>;

/** Acts, what they did, and whom they were told: all of one age. */
async function forgetHistory(writer: Writer, beforeMs: number): Promise<void> {
  for (const table of ['history', 'events', 'tellings'])
    await run(writer, `DELETE FROM ${table} WHERE at < :beforeMs`, { beforeMs });
}

/** Forgets for age what the school has decided about, class by class. Nothing of it stays in the history. */
export async function forgetForAge(writer: Writer, retention: Retention, nowMs: number): Promise<Forgotten> {
  const before = (name: Parameters<typeof daysKept>[1]) => {
    const days = daysKept(retention, name);
    return days === undefined ? undefined : nowMs - days * DAY;
  };
  const [letters, bookings, questions, reads, history, people, recordings, guardians] = (['letters', 'bookings', 'questions', 'readDates', 'history', 'people', 'recordings', 'guardians'] as const).map(before); // prettier-ignore
  if (letters !== undefined)
    await run(writer, `DELETE FROM outbox WHERE state <> 'queued' AND created_at < :letters`, { letters });
  if (questions !== undefined)
    await run(writer, 'DELETE FROM questions WHERE at < :questions', { questions });
  if (bookings !== undefined) await forgetBookings(writer, bookings, nowMs);
  if (reads !== undefined) await forgetReadDates(writer, reads);
  if (guardians !== undefined)
    await run(writer, 'DELETE FROM guardians WHERE barred IS NULL AND ended_at < :guardians', { guardians });
  if (history !== undefined) await forgetHistory(writer, history);
  return {
    people: people === undefined ? [] : await peopleToForget(writer, people),
    hashes: recordings === undefined ? [] : await forgetRecordings(writer, recordings),
  };
}

import { randomUUID } from 'node:crypto';
import type { PersonId } from '@/core/ids';
import { isNobodysAddress } from '@/core/mail/nobodysAddress';
import { withoutTokens } from '@/core/mail/withoutTokens';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import type { Claim } from '../jobs/claims';
import { claimDue } from '../jobs/claims';
import { deleteRows, insertRows, updateRows } from '../statements';

/** A message to one person. It stands in the transaction that causes it, and is sent at least once under one Message-ID. */
export type Letter = Readonly<{
  to: string;
  subject: string;
  text: string;
  sender: PersonId | null;
  /** Ahead of all that is not. */
  urgent?: boolean;
  /** Whom it tells of, where that is somebody else than who gets it: erasing them erases it. */
  about?: PersonId;
  /** What ends letters like this one by one click (RFC 8058). */
  unsubscribe?: string;
  /** An iCalendar part, by iMIP (RFC 6047). */
  calendar?: Readonly<{ method: 'REQUEST' | 'CANCEL'; text: string }>;
}>;
export type QueuedLetter = Letter &
  Readonly<{
    id: string;
    attempts: number;
    /** Who is answered when somebody replies: whoever caused it. */
    from?: Readonly<{ name: string; email: string }>;
  }>;

type Hold = Readonly<{
  /** How long the letters wait at least. */
  holdMs: number;
  /** The act they tell of: undoing it takes them back while they wait. */
  history: string;
}>;

export async function queueLetters(
  writer: Writer,
  all: readonly Letter[],
  nowMs: number,
  hold?: Hold,
): Promise<void> {
  // Whoever has no address is reached by what they see here.
  const letters = all.filter(({ to }) => !isNobodysAddress(to));
  if (letters.length === 0) return;
  await insertRows(
    writer,
    'outbox',
    letters.map((letter) => ({
      id: randomUUID(),
      recipient: letter.to,
      subject: letter.subject,
      body: letter.text,
      calendar: letter.calendar?.text ?? null,
      calendar_method: letter.calendar?.method ?? null,
      sender_id: letter.sender,
      state: 'queued',
      attempts: 0,
      next_attempt_at: nowMs + (hold?.holdMs ?? 0),
      error: null,
      created_at: nowMs,
      sent_at: null,
      history_id: hold?.history ?? null,
      urgent: letter.urgent ? 1 : 0,
      unsubscribe: letter.unsubscribe ?? null,
      about_id: letter.about ?? null,
    })),
  );
}

/** Takes back the letters that tell of an act and have not been handed over. */
export async function takeBackLetters(writer: Writer, history: string): Promise<void> {
  await deleteRows(writer, 'outbox', { history_id: history, state: 'queued', attempts: 0 });
}

/** Letters whose time has come, for this process alone for `holdMs`: urgent ones first, then the oldest. */
export async function claimLetters(writer: Writer, claim: Claim): Promise<QueuedLetter[]> {
  const ids = await claimDue(writer, 'outbox', claim);
  if (ids.length === 0) return [];
  const rows = await select<{
    id: string;
    recipient: string;
    subject: string;
    body: string;
    sender_id: PersonId | null;
    attempts: number;
    calendar: string | null;
    calendar_method: 'REQUEST' | 'CANCEL' | null;
    unsubscribe: string | null;
    senderName: string | null;
    senderEmail: string | null;
  }>(
    writer,
    `SELECT outbox.*, people.name AS "senderName", people.email AS "senderEmail" FROM outbox
     LEFT JOIN people ON people.id = outbox.sender_id WHERE outbox.id IN (:ids) ORDER BY outbox.urgent DESC, outbox.created_at, outbox.id`,
    { ids },
  );
  return rows.map((row) => ({
    id: row.id,
    to: row.recipient,
    subject: row.subject,
    text: row.body,
    sender: row.sender_id,
    attempts: row.attempts,
    ...(row.unsubscribe ? { unsubscribe: row.unsubscribe } : {}),
    ...(row.senderName && row.senderEmail ? { from: { name: row.senderName, email: row.senderEmail } } : {}),
    ...(row.calendar && row.calendar_method
      ? { calendar: { method: row.calendar_method, text: row.calendar } }
      : {}),
  }));
}

type Sent = Readonly<{ state: 'sent'; sentAtMs: number }>;
type Failed = Readonly<{ state: 'queued' | 'failed'; error: string; nextAttemptMs: number }>;

export async function markLetter(writer: Writer, letter: QueuedLetter, result: Sent | Failed): Promise<void> {
  const row =
    result.state === 'sent'
      ? {
          state: 'sent',
          held_until: null,
          attempts: letter.attempts + 1,
          sent_at: result.sentAtMs,
          error: null,
          // What opens something is the reader's alone from now on.
          body: withoutTokens(letter.text),
          unsubscribe: null,
        }
      : {
          state: result.state,
          held_until: null,
          attempts: letter.attempts + 1,
          error: result.error,
          next_attempt_at: result.nextAttemptMs,
        };
  await updateRows(writer, 'outbox', row, { id: letter.id });
}

export type OutboxLine = Readonly<{
  id: string;
  recipient: string;
  subject: string;
  state: 'queued' | 'sent' | 'failed';
  attempts: number;
  error: string | null;
}>;

/** The newest letters, whatever became of them. */
export function newestLetters(reader: Reader, most: number): Promise<OutboxLine[]> {
  return select<OutboxLine>(
    reader,
    `SELECT id, recipient, subject, state, attempts, error FROM outbox ORDER BY created_at DESC, id LIMIT ${Math.floor(most)}`,
  );
}

/** Takes up a letter anew that was given up or waits for its next attempt. Answers whether there was one. */
export async function takeUpAnew(writer: Writer, id: string, nowMs: number): Promise<boolean> {
  const waiting = await select(writer, `SELECT id FROM outbox WHERE id = :id AND state <> 'sent'`, { id });
  if (waiting.length === 0) return false;
  await updateRows(
    writer,
    'outbox',
    { state: 'queued', attempts: 0, next_attempt_at: nowMs, error: null },
    { id },
  );
  return true;
}

/** Letters of a sender that did not arrive, newest first. */
export function failedLetters(
  reader: Reader,
  sender: PersonId,
): Promise<{ id: string; recipient: string; subject: string; error: string }[]> {
  return select(
    reader,
    `SELECT id, recipient, subject, error FROM outbox WHERE sender_id = :sender AND state = 'failed' ORDER BY created_at DESC LIMIT 20`,
    { sender },
  );
}

/** How many letters wait, wait after a failure, and were given up. */
export async function outboxCounts(
  reader: Reader,
): Promise<Readonly<{ waiting: number; retrying: number; failed: number }>> {
  const [row] = await select<{ waiting: number | null; retrying: number | null; failed: number | null }>(
    reader,
    `SELECT SUM(CASE WHEN state = 'queued' AND attempts = 0 THEN 1 ELSE 0 END) AS waiting,
       SUM(CASE WHEN state = 'queued' AND attempts > 0 THEN 1 ELSE 0 END) AS retrying,
       SUM(CASE WHEN state = 'failed' THEN 1 ELSE 0 END) AS failed FROM outbox`,
  );
  return { waiting: row?.waiting ?? 0, retrying: row?.retrying ?? 0, failed: row?.failed ?? 0 };
}

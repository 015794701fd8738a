import { Temporal } from 'temporal-polyfill';
import type { PersonId } from '@/core/ids';
import type { FollowedList, Webhook } from '@/core/tokens/webhook';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { run } from '../statements';

type Row = Readonly<{
  id: string;
  token_id: string;
  token: string;
  owner_id: string;
  owner: string;
  url: string;
  lists: string;
  secret: string;
  created_at: number;
  approved_at: number | null;
  state: string;
  pending: string | null;
  attempts: number;
  next_at: number | null;
  paused_at: number | null;
  told_at: number | null;
  failure: string | null;
}>;

/** What is to be told next: under one id however often it is tried, and the state after it. */
export type Pending = Readonly<{ id: string; body: string; state: string }>;

/** A webhook with what only its deliveries need: the sealed secret, where it stands, what could not be told yet. */
export type KeptWebhook = Webhook & Readonly<{ secret: string; state: string; pending?: Pending }>;

const instant = (ms: number) => Temporal.Instant.fromEpochMilliseconds(Number(ms));

const toWebhook = (row: Row): KeptWebhook => ({
  id: row.id,
  token: row.token_id,
  tokenName: row.token,
  owner: row.owner_id as PersonId,
  ownerName: row.owner,
  url: row.url,
  lists: JSON.parse(row.lists) as FollowedList[],
  secret: row.secret,
  created: instant(row.created_at),
  approved: row.approved_at !== null,
  state: row.state,
  ...(row.pending === null ? {} : { pending: JSON.parse(row.pending) as Pending }),
  attempts: row.attempts,
  ...(row.next_at === null ? {} : { nextTry: instant(row.next_at) }),
  paused: row.paused_at !== null,
  ...(row.told_at === null ? {} : { lastTold: instant(row.told_at) }),
  ...(row.failure === null ? {} : { failure: row.failure }),
});

const find = async (reader: Reader, where: string, values: Record<string, unknown> = {}): Promise<KeptWebhook[]> =>
  (
    await select<Row>(
      reader,
      `SELECT webhooks.*, tokens.name AS token, tokens.owner_id AS owner_id, people.name AS owner FROM webhooks
       JOIN tokens ON tokens.id = webhooks.token_id JOIN people ON people.id = tokens.owner_id
       WHERE ${where} ORDER BY webhooks.created_at, webhooks.id`,
      values,
    )
  ).map(toWebhook); // prettier-ignore

export const webhookById = async (reader: Reader, id: string): Promise<KeptWebhook | undefined> =>
  (await find(reader, 'webhooks.id = :id', { id }))[0];

export const webhooksOf = (reader: Reader, owner: PersonId): Promise<KeptWebhook[]> =>
  find(reader, 'tokens.owner_id = :owner', { owner });

export const everyWebhook = (reader: Reader): Promise<KeptWebhook[]> => find(reader, '1 = 1');

/** Those that may be told something now. */
export const webhooksDue = (reader: Reader, nowMs: number): Promise<KeptWebhook[]> =>
  find(reader, 'approved_at IS NOT NULL AND paused_at IS NULL AND (next_at IS NULL OR next_at <= :nowMs)', { nowMs }); // prettier-ignore

type NewWebhook = Readonly<{
  id: string;
  token: string;
  url: string;
  lists: readonly FollowedList[];
  secret: string;
  approved: boolean;
  state: string;
}>;

export const insertWebhook = (writer: Writer, { lists, approved, ...hook }: NewWebhook, nowMs: number): Promise<unknown> =>
  run(
    writer,
    `INSERT INTO webhooks (id, token_id, url, lists, secret, created_at, approved_at, state)
     VALUES (:id, :token, :url, :lists, :secret, :nowMs, :approvedAt, :state)`,
    { ...hook, lists: JSON.stringify(lists), approvedAt: approved ? nowMs : null, nowMs },
  ); // prettier-ignore

export const deleteWebhook = (writer: Writer, id: string): Promise<unknown> =>
  run(writer, 'DELETE FROM webhooks WHERE id = :id', { id });

/** From now on it is told; what was before the office agreed is not made up for. */
export const approveWebhook = (writer: Writer, id: string, state: string, nowMs: number): Promise<unknown> =>
  run(writer, 'UPDATE webhooks SET approved_at = :nowMs, state = :state WHERE id = :id', {
    id,
    state,
    nowMs,
  });

export const resumeWebhook = (writer: Writer, id: string): Promise<unknown> =>
  run(writer, 'UPDATE webhooks SET paused_at = NULL, attempts = 0, next_at = NULL WHERE id = :id', { id });

export const keepPending = (writer: Writer, id: string, pending: Pending): Promise<unknown> =>
  run(writer, 'UPDATE webhooks SET pending = :pending WHERE id = :id', { id, pending: JSON.stringify(pending) }); // prettier-ignore

/** What was pending was taken: it stands where that led. */
export const noteTold = (writer: Writer, id: string, state: string, nowMs: number): Promise<unknown> =>
  run(
    writer,
    `UPDATE webhooks SET pending = NULL, state = :state, attempts = 0, next_at = NULL, failure = NULL, told_at = :nowMs
     WHERE id = :id`,
    { id, state, nowMs },
  );

/** It could not be told; without a next try it pauses. */
export const noteFailed = (
  writer: Writer,
  id: string,
  { failure, nextMs, nowMs }: Readonly<{ failure: string; nextMs: number | undefined; nowMs: number }>,
): Promise<unknown> =>
  run(
    writer,
    `UPDATE webhooks SET attempts = attempts + 1, failure = :failure, next_at = :nextMs, paused_at = :pausedMs WHERE id = :id`,
    { id, failure, nextMs: nextMs ?? null, pausedMs: nextMs === undefined ? nowMs : null },
  );

import type { Writer } from '../writeQueue';

const DAY = 24 * 3_600_000;
/** The longest any session lives, and how long a letter that arrived is kept. */
const SESSION_DAYS = 90;
const LETTER_DAYS = 90;

const run = (writer: Writer, sql: string, replacements: Record<string, unknown>) =>
  writer.sequelize.query(sql, { replacements, transaction: writer.transaction });

export async function forgetOutdated(writer: Writer, nowMs: number): Promise<void> {
  await run(writer, 'DELETE FROM sessions WHERE created_at < :before', {
    before: nowMs - SESSION_DAYS * DAY,
  });
  await run(writer, 'DELETE FROM invitations WHERE expires_at < :nowMs', { nowMs });
  await run(writer, 'DELETE FROM mail_links WHERE expires_at < :nowMs', { nowMs });
  await run(writer, `DELETE FROM outbox WHERE state = 'sent' AND sent_at < :before`, {
    before: nowMs - LETTER_DAYS * DAY,
  });
}

export async function forgetHistoryBefore(writer: Writer, beforeMs: number): Promise<void> {
  await run(writer, 'DELETE FROM history WHERE at < :beforeMs', { beforeMs });
}

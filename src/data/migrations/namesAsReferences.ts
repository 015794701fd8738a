import { withoutTokens } from '@/core/mail/withoutTokens';
import { select } from '../database';
import type { RowChange } from '../history/change';
import { refTo } from '../history/personRefs';
import type { Writer } from '../reader';

type Change = Pick<RowChange, 'table' | 'before' | 'after'>;

/** Whom an act was about, by its rows. */
const personOf = (changes: readonly Change[], table: string, column: string): string | undefined =>
  changes
    .filter((change) => change.table === table)
    .map((change) => (change.after ?? change.before)?.[column])
    .find((id): id is string => typeof id === 'string');

/** Acts whose summary named a person: the pattern it was written by, and the row that says who it was. */
const NAMING: Readonly<Record<string, readonly [pattern: RegExp, table: string, column: string]>> = {
  addPerson: [/(?<=^Add a person: ).+$/, 'people', 'id'],
  addCoInstructor: [/(?<=^Added ).+(?= as co-instructor$)/, 'staff', 'person_id'],
  removeCoInstructor: [/(?<=^Took ).+(?= off the staff$)/, 'staff', 'person_id'],
  moveStudent: [/(?<=^Took ).+(?= off the roster$)|(?<=^Moved ).+(?= to section )/, 'roster', 'person_id'],
  joinCourse: [/^.+(?= joined$)/, 'roster', 'person_id'],
  markCame: [/(?<=^Noted whether ).+(?= came$)/, 'bookings', 'person_id'],
  takeOverDay: [/^.+(?= takes over a day$)/, 'slots', 'host_id'],
};

/**
 * Names in what the history says become references, found by the rows of the act, never by spelling; letters that were handed
 * over lose what opens something.
 */
export async function namesAsReferences(writer: Writer): Promise<void> {
  const { sequelize, transaction } = writer;
  for (const [act, [pattern, table, column]] of Object.entries(NAMING)) {
    const rows = await select<{ id: string; summary: string; changes: string }>(
      writer,
      'SELECT id, summary, changes FROM history WHERE act = :act',
      { act },
    );
    for (const { id, summary, changes } of rows) {
      const person = personOf(JSON.parse(changes) as Change[], table, column);
      const named = summary.replace(pattern, () => (person ? refTo(person) : 'somebody'));
      if (named !== summary)
        await sequelize.query('UPDATE history SET summary = :named WHERE id = :id', { replacements: { id, named }, transaction }); // prettier-ignore
    }
  }
  const letters = await select<{ id: string; body: string }>(writer, `SELECT id, body FROM outbox WHERE state = 'sent'`); // prettier-ignore
  for (const { id, body } of letters)
    if (withoutTokens(body) !== body)
      await sequelize.query('UPDATE outbox SET body = :body WHERE id = :id', { replacements: { id, body: withoutTokens(body) }, transaction }); // prettier-ignore
}

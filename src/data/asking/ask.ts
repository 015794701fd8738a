import { createHash } from 'node:crypto';
import type pg from 'pg';
import type { Transaction } from 'sequelize';
import { DatabaseError, ForeignKeyConstraintError, UniqueConstraintError } from 'sequelize';
import type { Reader } from '../reader';
import { dialectOf } from '../dialect';
import { isLostConnection } from '../lostConnection';
import type { Bound, Place } from './bind';
import { bind } from './bind';
import type { Connection } from './keptStatements';

type Values = Readonly<Record<string, unknown>>;

const SQLITE: Place = () => '?';
const POSTGRES: Place = (n) => `$${n}`;

export const placeFor = (reader: Reader): Place => (dialectOf(reader) === 'sqlite' ? SQLITE : POSTGRES);

type Failure = Error & { code?: string; sql?: string };

/** What a database refused, in Sequelize's words, as migrations and whatever else goes through it say it. */
function inItsWords(error: unknown, text: string): Error {
  const failure = Object.assign(error as Failure, { sql: text });
  const { code = '', message } = failure;
  if (code === '23505' || /UNIQUE constraint failed/.test(message))
    return new UniqueConstraintError({ parent: failure, message });
  if (code === '23503' || /FOREIGN KEY constraint failed/.test(message))
    return new ForeignKeyConstraintError({ parent: failure, message });
  return new DatabaseError(failure);
}

/** The connection of a change; Sequelize has no type for it. */
const connectionOf = <T>(transaction: Transaction): T =>
  (transaction as unknown as { connection: T }).connection;

/** A connection of PostgreSQL's that Sequelize's pool does not give out any more is marked so. */
type Client = pg.Client & { _invalid?: boolean };

/** How often a table was found changed under statements that were prepared: from then on all of them are prepared anew. */
let generation = 0;
/** A statement by the name under which connections of PostgreSQL's keep it. */
const names = new Map<string, string>();
function nameOf(text: string): string {
  const known = names.get(text);
  if (known) return known;
  const name = `${generation} ${createHash('sha256').update(text).digest('base64url').slice(0, 32)}`;
  if (names.size >= 2000) names.clear();
  names.set(text, name);
  return name;
}

/** Whether another process has changed a table since the connection prepared the statement (PostgreSQL says this with code 0A000, as much else). */
export const isOutdatedStatement = (error: unknown): boolean =>
  /cached plan must not change result type/.test((error as Error).message);

async function askPostgres<T extends object>(client: Client, { text, values }: Bound): Promise<T[]> {
  try {
    return (await client.query<T>({ name: nameOf(text), text, values })).rows;
  } catch (error) {
    const said = inItsWords(error, text);
    if (isLostConnection(said)) client._invalid = true;
    if (isOutdatedStatement(error)) {
      generation += 1;
      names.clear();
    }
    throw said;
  }
}

/** The same outside a change, where a statement that was out of date can be asked once more as it is. */
async function askAlone<T extends object>(client: Client, bound: Bound): Promise<T[]> {
  try {
    return await askPostgres<T>(client, bound);
  } catch (error) {
    if (!isOutdatedStatement(error)) throw error;
    return askPostgres<T>(client, bound);
  }
}

/** What a bound statement answers, on the connection of the change or one for reading. */
export async function askBound<T extends object>(
  { sequelize, transaction }: Reader,
  bound: Bound,
): Promise<T[]> {
  const { connectionManager } = sequelize;
  if (dialectOf({ sequelize }) === 'sqlite') {
    const connection = transaction
      ? connectionOf<Connection>(transaction)
      : ((await connectionManager.getConnection({ type: 'read' })) as Connection);
    try {
      return await connection.ask<T>(bound.text, bound.values);
    } catch (error) {
      throw inItsWords(error, bound.text);
    }
  }
  if (transaction) return askPostgres(connectionOf<Client>(transaction), bound);
  const client = (await connectionManager.getConnection({ type: 'read' })) as Client;
  try {
    return await askAlone<T>(client, bound);
  } finally {
    connectionManager.releaseConnection(client);
  }
}

/** What a statement with `:names` answers. */
export const ask = <T extends object>(reader: Reader, sql: string, values: Values): Promise<T[]> =>
  askBound(reader, bind(sql, values, placeFor(reader)));

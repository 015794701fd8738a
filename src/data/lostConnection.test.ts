import type { BaseError } from 'sequelize';
import { ConnectionRefusedError, DatabaseError, UniqueConstraintError } from 'sequelize';
import { expect, test } from 'vitest';
import { isLostConnection } from './lostConnection';

const failure = (message: string, code?: string) => Object.assign(new Error(message), { code, sql: '' });

test.each([
  ['the server was told to end', new DatabaseError(failure('terminating connection', '57P01')), true],
  ['the line was cut', new DatabaseError(failure('Connection terminated unexpectedly')), true],
  ['nobody listens', new ConnectionRefusedError(failure('connect ECONNREFUSED', 'ECONNREFUSED')), true],
  ['two are in each other’s way', new DatabaseError(failure('deadlock detected', '40P01')), false],
  ['a seat is taken', new UniqueConstraintError({ message: 'taken' }), false],
  ['a mail server is away', failure('connect ECONNREFUSED', 'ECONNREFUSED'), false],
  ['nothing at all', undefined, false],
])('%s', (_, error: BaseError | Error | undefined, lost) => expect(isLostConnection(error)).toBe(lost));

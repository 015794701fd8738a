import { randomUUID } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import type { TestProject } from 'vitest/node';
import { startPostgres, THROWN_AWAY } from '../../scripts/postgres.mjs';
import { connectTo, select } from '@/data/database';
import { migrate } from '@/data/migrate';

declare module 'vitest' {
  interface ProvidedContext {
    /** Where the tests of a project find PostgreSQL; absent where they run on SQLite. */
    postgresUrl?: string;
  }
}

/** A database in which each table is made, of which copies are made. */
const TEMPLATE = 'pembit_template';

/** Runs one statement in the database that every PostgreSQL has. */
async function administer(server: string, sql: string): Promise<void> {
  const sequelize = connectTo(`${server}/postgres`);
  try {
    await sequelize.query(sql, { type: QueryTypes.RAW });
  } finally {
    await sequelize.close();
  }
}

/** One PostgreSQL for all tests of a project. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const postgres = await startPostgres({ settings: THROWN_AWAY });
  const server = postgres.url('').replace(/\/$/, '');
  await administer(server, `CREATE DATABASE ${TEMPLATE}`);
  const sequelize = connectTo(`${server}/${TEMPLATE}`);
  await migrate(sequelize, '', '2026-10-13T12:00:00Z');
  await sequelize.close();
  project.provide('postgresUrl', server);
  return postgres.stop;
}

/** Databases of this process that are empty again: emptying one takes an eighth of the time that making one takes. */
const empty: string[] = [];

/** A database of one's own, in which each table is made and empty; `giveBack` empties it for the next. */
export async function newDatabase(
  server: string,
): Promise<Readonly<{ url: string; giveBack: () => Promise<void> }>> {
  const url = empty.pop() ?? (await copyOfTemplate(server));
  return {
    url,
    giveBack: async () => {
      await makeEmpty(url);
      empty.push(url);
    },
  };
}

async function copyOfTemplate(server: string): Promise<string> {
  const name = `t_${randomUUID().replaceAll('-', '')}`;
  await administer(server, `CREATE DATABASE ${name} TEMPLATE ${TEMPLATE} STRATEGY FILE_COPY`);
  return `${server}/${name}`;
}

async function makeEmpty(url: string): Promise<void> {
  const sequelize = connectTo(url);
  try {
    const tables = await select<{ name: string }>(
      { sequelize },
      `SELECT tablename AS name FROM pg_tables WHERE schemaname = 'public' AND tablename <> 'migrations'`,
    );
    const sequences = await select<{ name: string }>(
      { sequelize },
      'SELECT sequencename AS name FROM pg_sequences',
    );
    await sequelize.query(
      [
        // Without its foreign keys, whatever the order.
        'SET session_replication_role = replica',
        ...tables.map(({ name }) => `DELETE FROM ${name}`),
        ...sequences.map(({ name }) => `ALTER SEQUENCE ${name} RESTART`),
      ].join(';'),
      { type: QueryTypes.RAW },
    );
  } finally {
    await sequelize.close();
  }
}

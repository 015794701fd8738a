import { mkdirSync, rmSync } from 'node:fs';
import path from 'node:path';
import type { Sequelize } from 'sequelize';
import { Umzug } from 'umzug';
import { lockForMigrations } from './postgres/commits';
import { select } from './database';
import { definition, dialectOf, tableNames } from './dialect';
import type { Writer } from './reader';
import { foundations } from './migrations/0001-foundations';
import { frame } from './migrations/0002-frame';
import { people } from './migrations/0003-people';
import { schoolLife } from './migrations/0004-school-life';
import { planning } from './migrations/0005-planning';
import { classDates } from './migrations/0006-class-dates';
import { checks } from './migrations/0007-checks';
import { materials } from './migrations/0008-materials';
import { linkedMaterials } from './migrations/0009-linked-materials';
import { files } from './migrations/0010-files';
import { officeHours } from './migrations/0011-office-hours';
import { sheetUses } from './migrations/0012-sheet-uses';
import { students } from './migrations/0014-students';
import { notesAndRosters } from './migrations/0015-notes-and-rosters';
import { trust } from './migrations/0016-trust';
import { expectedWork } from './migrations/0017-expected-work';
import { secondStepForStaff } from './migrations/0018-second-step-for-staff';
import { publishing } from './migrations/0013-publishing';
import { locks } from './migrations/0019-locks';
import { events } from './migrations/0020-events';
import { whoStudentsAre } from './migrations/0022-who-students-are';
import { timetables } from './migrations/0021-timetables';
import { comingAndGoing } from './migrations/0023-coming-and-going';
import { ownPlaces } from './migrations/0024-own-places';
import { urgentLetters } from './migrations/0025-urgent-letters';
import { closedOccurrences } from './migrations/0026-closed-occurrences';
import { notice } from './migrations/0027-notice';
import { lateWork } from './migrations/0028-late-work';
import { closedSections } from './migrations/0033-closed-sections';
import { messages } from './migrations/0035-messages';
import { lettersOneWants } from './migrations/0036-letters-one-wants';
import { questions } from './migrations/0037-questions';
import { guardians } from './migrations/0038-guardians';
import { ownDates } from './migrations/0039-own-dates';
import { tokens } from './migrations/0040-tokens';
import { once } from './migrations/0041-once';
import { following } from './migrations/0042-following';
import { webhooks } from './migrations/0043-webhooks';
import { keptRosters } from './migrations/0044-kept-rosters';
import { courseSites } from './migrations/0045-course-sites';
import { severalProcesses } from './migrations/0046-several-processes';
import { strands } from './migrations/0034-strands';
import { devices } from './migrations/0032-devices';
import { reminded } from './migrations/0031-reminded';
import { accessibility } from './migrations/0030-accessibility';
import { waitingForASeat } from './migrations/0029-waiting-for-a-seat';

type Migration = Readonly<{
  name: string;
  /** `converts`: brings what stands there into a new form, in words of SQLite where no other database is old enough. */
  statements: readonly (string | Readonly<{ converts: string }>)[];
  /** What statements cannot say of what stands there, done after them in the same transaction. */
  also?: (writer: Writer) => Promise<void>;
}>;

const MIGRATIONS: readonly Migration[] = [
  foundations,
  frame,
  people,
  schoolLife,
  planning,
  classDates,
  checks,
  materials,
  linkedMaterials,
  files,
  officeHours,
  sheetUses,
  publishing,
  students,
  notesAndRosters,
  trust,
  expectedWork,
  secondStepForStaff,
  locks,
  events,
  timetables,
  whoStudentsAre,
  comingAndGoing,
  ownPlaces,
  urgentLetters,
  closedOccurrences,
  notice,
  lateWork,
  waitingForASeat,
  accessibility,
  reminded,
  devices,
  closedSections,
  strands,
  messages,
  lettersOneWants,
  questions,
  guardians,
  ownDates,
  tokens,
  once,
  following,
  webhooks,
  keptRosters,
  courseSites,
  severalProcesses,
];

export type MigrationReport = Readonly<{ applied: readonly string[]; backups: readonly string[] }>;

/**
 * Brings a database up to date. Each migration runs whole or not at all; before each a copy of the database
 * is left in `backups/`, which is the only way back.
 * @throws Error when the database was written by a newer Pembit.
 */
export async function migrate(sequelize: Sequelize, folder: string, now: string): Promise<MigrationReport> {
  if (dialectOf({ sequelize }) === 'sqlite') return bringUpToDate(sequelize, folder, now);
  // Several processes may start at once: one of them brings the database up to date, the others find it so.
  return sequelize.transaction(async (transaction) => {
    await lockForMigrations({ sequelize, transaction });
    return bringUpToDate(sequelize, folder, now);
  });
}

async function bringUpToDate(sequelize: Sequelize, folder: string, now: string): Promise<MigrationReport> {
  await sequelize.query(
    definition(
      dialectOf({ sequelize }),
      'CREATE TABLE IF NOT EXISTS migrations (name TEXT PRIMARY KEY, applied_at TEXT NOT NULL)',
    ),
  );
  const executed = async () =>
    (await select<{ name: string }>({ sequelize }, 'SELECT name FROM migrations ORDER BY name')).map(
      (r) => r.name,
    );
  const known = new Set(MIGRATIONS.map((m) => m.name));
  const foreign = (await executed()).find((name) => !known.has(name));
  if (foreign)
    throw new Error(
      `This data folder was written by a newer Pembit (migration ${foreign}). Start the newer version, or restore a backup made by this one.`,
    );
  const umzug = new Umzug({
    migrations: MIGRATIONS.map((migration) => ({
      name: migration.name,
      up: () => applyWhole(sequelize, migration),
    })),
    storage: {
      logMigration: ({ name }) =>
        sequelize
          .query('INSERT INTO migrations (name, applied_at) VALUES (:name, :now)', {
            replacements: { name, now },
          })
          .then(() => undefined),
      unlogMigration: () => Promise.reject(new Error('Migrations are not taken back: restore the backup.')),
      executed,
    },
    logger: undefined,
  });
  const applied: string[] = [];
  const backups: string[] = [];
  for (const { name } of await umzug.pending()) {
    // Without any person in it there is nothing to keep: a fresh installation leaves no copies of empty databases.
    if ((await isFilled(sequelize)) && dialectOf({ sequelize }) === 'sqlite')
      backups.push(await copyAside(sequelize, { folder, name, now }));
    await umzug.up({ migrations: [name] });
    applied.push(name);
  }
  return { applied, backups };
}

async function isFilled(sequelize: Sequelize): Promise<boolean> {
  const tables = await select<{ name: string }>({ sequelize }, tableNames({ sequelize }));
  return (
    tables.some(({ name }) => name === 'people') &&
    (await select({ sequelize }, 'SELECT id FROM people LIMIT 1')).length > 0
  );
}

async function applyWhole(sequelize: Sequelize, { statements, also }: Migration): Promise<void> {
  const filled = await isFilled(sequelize);
  const dialect = dialectOf({ sequelize });
  await sequelize.transaction(async (transaction) => {
    for (const statement of statements) {
      const sql =
        typeof statement === 'string'
          ? definition(dialect, statement)
          : filled
            ? statement.converts
            : undefined;
      if (sql !== undefined) await sequelize.query(sql, { transaction });
    }
    if (filled) await also?.({ sequelize, transaction });
  });
}

type Copy = Readonly<{ folder: string; name: string; now: string }>;

async function copyAside(sequelize: Sequelize, { folder, name, now }: Copy): Promise<string> {
  const backups = path.join(folder, 'backups');
  mkdirSync(backups, { recursive: true });
  const file = path.join(backups, `before-${name}-${now.replace(/[^0-9TZ]/g, '')}.sqlite`);
  rmSync(file, { force: true }); // left by a migration that failed in the same moment
  await sequelize.query('VACUUM INTO :file', { replacements: { file } });
  return file;
}

import { namesAsReferences } from './namesAsReferences';

/**
 * Who may what over the years: staff with a time and sections of their own, people who are deactivated, corrections that a
 * list proposes, places that wait for a yes, the school's accounts that are linked; when sessions end, what is kept how
 * long, and how much room files have.
 */
export const locks = {
  name: '0019-locks',
  statements: [
    `ALTER TABLE people ADD COLUMN deactivated_at BIGINT`,
    // When somebody first came in by any way; null: never. Whoever has a password or a session has been here.
    `ALTER TABLE people ADD COLUMN came_at BIGINT`,
    `UPDATE people SET came_at = created_at WHERE password_hash <> '' OR id IN (SELECT person_id FROM sessions)`,
    // The course whose list made the person; null for all others, and for everybody from before.
    `ALTER TABLE people ADD COLUMN made_by_course TEXT`,
    // Whether somebody brought the course back after it was archived: it does not archive itself again.
    `ALTER TABLE courses ADD COLUMN reopened INTEGER NOT NULL DEFAULT 0`,
    `ALTER TABLE staff ADD COLUMN sections TEXT`,
    `ALTER TABLE staff ADD COLUMN from_date TEXT`,
    `ALTER TABLE staff ADD COLUMN until_date TEXT`,
    // What whoever enrolled the person called them; it is shown until the person has come to the course.
    `ALTER TABLE roster ADD COLUMN listed_name TEXT`,
    `CREATE TABLE corrections (
      id TEXT PRIMARY KEY, course_id TEXT NOT NULL REFERENCES courses (id) ON DELETE CASCADE,
      person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, name TEXT NOT NULL, email TEXT NOT NULL,
      asked_by TEXT REFERENCES people (id) ON DELETE SET NULL, created_at BIGINT NOT NULL, UNIQUE (course_id, person_id))`,
    `CREATE TABLE offered_places (
      id TEXT PRIMARY KEY, course_id TEXT NOT NULL REFERENCES courses (id) ON DELETE CASCADE,
      section_id TEXT REFERENCES sections (id) ON DELETE CASCADE,
      person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, listed_name TEXT NOT NULL,
      created_at BIGINT NOT NULL, UNIQUE (course_id, person_id))`,
    // Who was taken off or left: a joining address of before does not bring them back.
    `CREATE TABLE departures (
      id TEXT PRIMARY KEY, course_id TEXT NOT NULL REFERENCES courses (id) ON DELETE CASCADE,
      person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, join_generation INTEGER NOT NULL,
      UNIQUE (course_id, person_id))`,
    // Somebody who asked to join by an address that is not proven yet; id is the hash of the letter's token.
    `CREATE TABLE join_requests (
      id TEXT PRIMARY KEY, course_id TEXT NOT NULL REFERENCES courses (id) ON DELETE CASCADE, section_id TEXT,
      name TEXT NOT NULL, email TEXT NOT NULL, join_generation INTEGER NOT NULL, expires_at BIGINT NOT NULL)`,
    `CREATE TABLE school_accounts (
      id TEXT PRIMARY KEY, person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, issuer TEXT NOT NULL,
      subject TEXT NOT NULL, linked_at BIGINT NOT NULL, UNIQUE (issuer, subject))`,
    `CREATE INDEX school_accounts_person ON school_accounts (person_id)`,
    `ALTER TABLE sessions ADD COLUMN shared INTEGER NOT NULL DEFAULT 0`,
    `ALTER TABLE sessions ADD COLUMN by_school INTEGER NOT NULL DEFAULT 0`,
    // JSON by class of data: days, null for always. Years that were chosen before hold for history and ended courses.
    `ALTER TABLE school ADD COLUMN retention TEXT NOT NULL DEFAULT '{}'`,
    `UPDATE school SET retention = '{"history":' || (keep_years * 365) || ',"courses":' || (keep_years * 365) || '}'
      WHERE keep_years IS NOT NULL`,
    `ALTER TABLE school DROP COLUMN keep_years`,
    `ALTER TABLE school ADD COLUMN held_for TEXT NOT NULL DEFAULT ''`,
    `ALTER TABLE school ADD COLUMN course_megabytes INTEGER NOT NULL DEFAULT 2048`,
    `ALTER TABLE school ADD COLUMN school_megabytes INTEGER NOT NULL DEFAULT 51200`,
    // What the office did to people. Ids alone: whoever reads it is shown the name that somebody has now.
    `CREATE TABLE office_log (
      id TEXT PRIMARY KEY, at BIGINT NOT NULL, actor_id TEXT, act TEXT NOT NULL, person_id TEXT, course_id TEXT,
      detail TEXT NOT NULL DEFAULT '')`,
    `CREATE INDEX office_log_at ON office_log (at)`,
    `CREATE INDEX history_actor ON history (actor_id)`,
  ],
  also: namesAsReferences,
} as const;

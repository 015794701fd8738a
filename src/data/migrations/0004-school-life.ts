/** What a school's life needs: its language and week, groups, themes, dates for everyone, joining, archiving, jobs. */
export const schoolLife = {
  name: '0004-school-life',
  statements: [
    `CREATE TABLE school (
      id TEXT PRIMARY KEY, name TEXT NOT NULL, locale TEXT NOT NULL, week_start INTEGER NOT NULL,
      keep_years INTEGER)`,
    `INSERT INTO school (id, name, locale, week_start) SELECT 'school', value, 'en-GB', 1 FROM settings WHERE name = 'school'`,
    `DROP TABLE settings`,
    `ALTER TABLE courses ADD COLUMN archived_at BIGINT`,
    `ALTER TABLE courses ADD COLUMN join_generation INTEGER NOT NULL DEFAULT 0`,
    `ALTER TABLE courses ADD COLUMN join_hash TEXT`,
    `CREATE UNIQUE INDEX courses_join ON courses (join_hash)`,
    `CREATE TABLE course_groups (
      id TEXT PRIMARY KEY, course_id TEXT NOT NULL REFERENCES courses (id) ON DELETE CASCADE, name TEXT NOT NULL,
      UNIQUE (course_id, name))`,
    `CREATE TABLE group_members (
      id TEXT PRIMARY KEY, group_id TEXT NOT NULL REFERENCES course_groups (id) ON DELETE CASCADE,
      person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, UNIQUE (group_id, person_id))`,
    `CREATE INDEX group_members_person ON group_members (person_id)`,
    `CREATE TABLE themes (
      id TEXT PRIMARY KEY, course_id TEXT NOT NULL REFERENCES courses (id) ON DELETE CASCADE, week INTEGER NOT NULL,
      theme TEXT NOT NULL, UNIQUE (course_id, week))`,
    `CREATE TABLE site_dates (
      id TEXT PRIMARY KEY, term_id TEXT NOT NULL REFERENCES terms (id) ON DELETE CASCADE, name TEXT NOT NULL,
      starts_on TEXT NOT NULL, ends_before TEXT NOT NULL, at_time TEXT, created_at BIGINT NOT NULL)`,
    `CREATE INDEX site_dates_term ON site_dates (term_id)`,
    `ALTER TABLE entry_audiences ADD COLUMN course_groups TEXT`,
    `ALTER TABLE entry_audiences ADD COLUMN people TEXT`,
    `ALTER TABLE sheet_audiences ADD COLUMN course_groups TEXT`,
    `ALTER TABLE sheet_audiences ADD COLUMN people TEXT`,
    `CREATE TABLE jobs (name TEXT PRIMARY KEY, due_at BIGINT NOT NULL, done_at BIGINT, error TEXT)`,
  ],
} as const;

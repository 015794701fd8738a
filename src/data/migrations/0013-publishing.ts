/** Outside calendars, what is brought in from files, addresses that are gone, how often an outlet is read. */
export const publishing = {
  name: '0013-publishing',
  statements: [
    `ALTER TABLE entries ADD COLUMN source_uid TEXT`,
    `CREATE INDEX entries_source ON entries (source_uid)`,
    `ALTER TABLE closures ADD COLUMN calendar_id TEXT`,
    `ALTER TABLE closures ADD COLUMN source TEXT`,
    `CREATE TABLE calendars (
      id TEXT PRIMARY KEY, term_id TEXT NOT NULL REFERENCES terms (id) ON DELETE CASCADE,
      owner_id TEXT REFERENCES people (id) ON DELETE SET NULL, name TEXT NOT NULL, url TEXT NOT NULL, file_id TEXT,
      whole_term INTEGER NOT NULL, seen_by TEXT NOT NULL, active INTEGER NOT NULL, closes TEXT NOT NULL,
      created_at BIGINT NOT NULL)`,
    `CREATE INDEX calendars_term ON calendars (term_id)`,
    `CREATE TABLE calendar_courses (
      id TEXT PRIMARY KEY, calendar_id TEXT NOT NULL REFERENCES calendars (id) ON DELETE CASCADE,
      course_id TEXT NOT NULL REFERENCES courses (id) ON DELETE CASCADE, UNIQUE (calendar_id, course_id))`,
    `CREATE INDEX calendar_courses_course ON calendar_courses (course_id)`,
    `CREATE TABLE calendar_copies (
      calendar_id TEXT PRIMARY KEY, times TEXT NOT NULL, troubles TEXT NOT NULL, news TEXT NOT NULL,
      etag TEXT, last_modified TEXT, read_at BIGINT, changed_at BIGINT, failing_since BIGINT, failure TEXT,
      failures INTEGER NOT NULL, next_at BIGINT)`,
    `CREATE TABLE outlet_reads (
      outlet_id TEXT NOT NULL, day TEXT NOT NULL, reads INTEGER NOT NULL, last_at BIGINT NOT NULL,
      PRIMARY KEY (outlet_id, day))`,
    `CREATE TABLE gone_addresses (
      id TEXT PRIMARY KEY, outlet_id TEXT NOT NULL, kind TEXT NOT NULL, name TEXT NOT NULL, replaced INTEGER NOT NULL,
      gone_at BIGINT NOT NULL)`,
    `CREATE TABLE tombstones (
      id TEXT PRIMARY KEY, uid TEXT NOT NULL, course_id TEXT NOT NULL REFERENCES courses (id) ON DELETE CASCADE,
      sections TEXT, course_groups TEXT, people TEXT, start_local TEXT NOT NULL, tzid TEXT NOT NULL,
      sequence INTEGER NOT NULL, gone_at BIGINT NOT NULL)`,
    `CREATE INDEX tombstones_course ON tombstones (course_id)`,
    `CREATE TABLE told_feeds (id TEXT PRIMARY KEY, told_at BIGINT NOT NULL)`,
  ],
} as const;

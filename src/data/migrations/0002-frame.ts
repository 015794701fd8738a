/** The frame: closures, weekly patterns, the meetings that come from them, more about courses. */
export const frame = {
  name: '0002-frame',
  statements: [
    `ALTER TABLE courses ADD COLUMN credits REAL`,
    `ALTER TABLE courses ADD COLUMN place TEXT NOT NULL DEFAULT ''`,
    `ALTER TABLE courses ADD COLUMN meeting_link TEXT NOT NULL DEFAULT ''`,
    `CREATE TABLE closures (
      id TEXT PRIMARY KEY, term_id TEXT NOT NULL REFERENCES terms (id) ON DELETE CASCADE,
      course_id TEXT REFERENCES courses (id) ON DELETE CASCADE, name TEXT NOT NULL,
      starts_on TEXT NOT NULL, ends_before TEXT NOT NULL, closes_at TEXT, created_at BIGINT NOT NULL)`,
    `CREATE INDEX closures_term ON closures (term_id)`,
    `CREATE TABLE patterns (
      id TEXT PRIMARY KEY, section_id TEXT NOT NULL REFERENCES sections (id) ON DELETE CASCADE,
      from_date TEXT NOT NULL, classes TEXT NOT NULL, UNIQUE (section_id, from_date))`,
    `CREATE TABLE meetings (
      id TEXT PRIMARY KEY, section_id TEXT NOT NULL REFERENCES sections (id) ON DELETE CASCADE,
      place_in_pattern TEXT NOT NULL, ordinal INTEGER NOT NULL, date TEXT NOT NULL, start_time TEXT NOT NULL,
      end_time TEXT NOT NULL, moved INTEGER NOT NULL, cancelled TEXT, sequence INTEGER NOT NULL,
      modified_at BIGINT NOT NULL, UNIQUE (section_id, place_in_pattern))`,
    `CREATE INDEX meetings_date ON meetings (date)`,
  ],
} as const;

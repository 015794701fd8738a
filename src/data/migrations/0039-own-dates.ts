/** Work that is due by each student's own start, and when students began. */
export const ownDates = {
  name: '0039-own-dates',
  statements: [
    // As `14 days` or `2 weeks`.
    `ALTER TABLE entries ADD COLUMN pacing TEXT`,
    `CREATE TABLE own_starts (
      id TEXT PRIMARY KEY, person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE,
      course_id TEXT NOT NULL REFERENCES courses (id) ON DELETE CASCADE, starts_on TEXT NOT NULL,
      shared INTEGER NOT NULL CHECK (shared IN (0, 1)), said_at BIGINT NOT NULL, UNIQUE (person_id, course_id))`,
    `CREATE INDEX own_starts_course ON own_starts (course_id)`,
  ],
} as const;

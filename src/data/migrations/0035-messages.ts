/** What staff wrote to students of a course by letter, kept with what it was about. */
export const messages = {
  name: '0035-messages',
  statements: [
    `CREATE TABLE messages (
      id TEXT PRIMARY KEY, course_id TEXT NOT NULL REFERENCES courses (id) ON DELETE CASCADE, entry_id TEXT,
      author_id TEXT REFERENCES people (id) ON DELETE SET NULL, audience TEXT NOT NULL, subject TEXT NOT NULL,
      body TEXT NOT NULL, told INTEGER NOT NULL, at BIGINT NOT NULL)`,
    `CREATE INDEX messages_course ON messages (course_id)`,
  ],
} as const;

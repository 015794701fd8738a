/** A course's outline. */
export const materials = {
  name: '0008-materials',
  statements: [
    `CREATE TABLE materials (
      id TEXT PRIMARY KEY, course_id TEXT NOT NULL REFERENCES courses (id) ON DELETE CASCADE, parent_id TEXT,
      position INTEGER NOT NULL, kind TEXT NOT NULL, title TEXT NOT NULL, url TEXT NOT NULL, text TEXT NOT NULL,
      visible_from TEXT, tzid TEXT NOT NULL, sequence INTEGER NOT NULL, created_at BIGINT NOT NULL,
      modified_at BIGINT NOT NULL)`,
    `CREATE INDEX materials_course ON materials (course_id)`,
  ],
} as const;

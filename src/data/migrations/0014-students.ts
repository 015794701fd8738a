/** What students keep for themselves: ticks on work that is done, their settings, when they last looked. */
export const students = {
  name: '0014-students',
  statements: [
    `CREATE TABLE done_marks (
      id TEXT PRIMARY KEY, person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE,
      entry_id TEXT NOT NULL REFERENCES entries (id) ON DELETE CASCADE, done_at BIGINT NOT NULL,
      UNIQUE (person_id, entry_id))`,
    `CREATE TABLE person_settings (
      id TEXT PRIMARY KEY REFERENCES people (id) ON DELETE CASCADE, settings TEXT NOT NULL)`,
    `CREATE TABLE looked (
      person_id TEXT PRIMARY KEY REFERENCES people (id) ON DELETE CASCADE, looked_at BIGINT NOT NULL,
      told_at BIGINT NOT NULL)`,
  ],
} as const;

/** Guardians' addresses, each for one guardian of one child; who is a minor, where a school has both; when an address was read. */
export const guardians = {
  name: '0038-guardians',
  statements: [
    `CREATE TABLE minors (person_id TEXT PRIMARY KEY REFERENCES people (id) ON DELETE CASCADE)`,
    `CREATE TABLE guardians (
      id TEXT PRIMARY KEY, child_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, name TEXT NOT NULL,
      token_hash TEXT NOT NULL UNIQUE, generation INTEGER NOT NULL,
      issued_by TEXT REFERENCES people (id) ON DELETE SET NULL, by_office INTEGER NOT NULL, as_adult INTEGER NOT NULL,
      shows TEXT NOT NULL, created_at BIGINT NOT NULL, enrolled_at BIGINT NOT NULL, ended_at BIGINT, barred TEXT,
      email TEXT NOT NULL DEFAULT '', email_confirmed INTEGER NOT NULL DEFAULT 0, locale TEXT NOT NULL DEFAULT '', tzid TEXT NOT NULL DEFAULT '')`,
    `CREATE INDEX guardians_child ON guardians (child_id)`,
    `CREATE TABLE guardian_reads (
      guardian_id TEXT NOT NULL REFERENCES guardians (id) ON DELETE CASCADE, what TEXT NOT NULL, hour BIGINT NOT NULL,
      PRIMARY KEY (guardian_id, what, hour))`,
  ],
} as const;

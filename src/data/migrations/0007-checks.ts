/** Findings of the checks that somebody said are meant so. */
export const checks = {
  name: '0007-checks',
  statements: [
    `CREATE TABLE dismissals (
      id TEXT PRIMARY KEY, finding TEXT NOT NULL UNIQUE, fingerprint TEXT NOT NULL, reason TEXT NOT NULL,
      person_id TEXT REFERENCES people (id) ON DELETE SET NULL, created_at BIGINT NOT NULL)`,
  ],
} as const;

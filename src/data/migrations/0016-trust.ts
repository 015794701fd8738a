/**
 * How often something was tried of late (`id` is a hash of who and what), and second steps of signing in: the secret is
 * encrypted with the server's own, recovery codes are kept as hashes.
 */
export const trust = {
  name: '0016-trust',
  statements: [
    `CREATE TABLE tries (id TEXT PRIMARY KEY, count INTEGER NOT NULL, since INTEGER NOT NULL)`,
    `CREATE TABLE second_steps (
       person_id TEXT PRIMARY KEY REFERENCES people (id) ON DELETE CASCADE,
       secret TEXT NOT NULL, confirmed_at INTEGER, last_step INTEGER NOT NULL DEFAULT 0, recovery TEXT NOT NULL DEFAULT '[]')`,
  ],
} as const;

/** Tokens by which programs act for somebody; what they consist of is kept as a hash alone. */
export const tokens = {
  name: '0040-tokens',
  statements: [
    `CREATE TABLE tokens (
      id TEXT PRIMARY KEY, owner_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, name TEXT NOT NULL,
      hash TEXT NOT NULL UNIQUE, scopes TEXT NOT NULL, courses TEXT, origins TEXT NOT NULL,
      created_at BIGINT NOT NULL, expires_on TEXT, expires_at BIGINT, last_used_at BIGINT)`,
    `CREATE INDEX tokens_owner ON tokens (owner_id)`,
  ],
} as const;

/** Addresses that are told of what changes for a token: where each stands, and what could not be told yet. */
export const webhooks = {
  name: '0043-webhooks',
  statements: [
    `CREATE TABLE webhooks (
      id TEXT PRIMARY KEY, token_id TEXT NOT NULL REFERENCES tokens (id) ON DELETE CASCADE, url TEXT NOT NULL, lists TEXT NOT NULL,
      secret TEXT NOT NULL, created_at BIGINT NOT NULL, approved_at BIGINT, state TEXT NOT NULL, pending TEXT,
      attempts INTEGER NOT NULL DEFAULT 0, next_at BIGINT, paused_at BIGINT, told_at BIGINT, failure TEXT)`,
    `CREATE INDEX webhooks_token ON webhooks (token_id)`,
  ],
} as const;

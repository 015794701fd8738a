/** First sign-ins by a link, and the outbox that carries it. */
export const people = {
  name: '0003-people',
  statements: [
    `CREATE TABLE invitations (
      id TEXT PRIMARY KEY, person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE,
      expires_at BIGINT NOT NULL)`,
    `CREATE INDEX invitations_person ON invitations (person_id)`,
    `CREATE TABLE outbox (
      id TEXT PRIMARY KEY, recipient TEXT NOT NULL, subject TEXT NOT NULL, body TEXT NOT NULL,
      sender_id TEXT REFERENCES people (id) ON DELETE SET NULL, state TEXT NOT NULL, attempts INTEGER NOT NULL,
      next_attempt_at BIGINT NOT NULL, error TEXT, created_at BIGINT NOT NULL, sent_at BIGINT)`,
    `CREATE INDEX outbox_due ON outbox (state, next_attempt_at)`,
  ],
} as const;

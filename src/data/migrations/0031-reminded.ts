/** Of what somebody was reminded by letter, so that it happens once. */
export const reminded = {
  name: '0031-reminded',
  statements: [
    `CREATE TABLE reminded (
      id TEXT PRIMARY KEY, person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, what TEXT NOT NULL,
      sent_at BIGINT NOT NULL, UNIQUE (person_id, what))`,
  ],
} as const;

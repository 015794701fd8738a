/** What was answered to a request that may come again by the same key. */
export const once = {
  name: '0041-once',
  statements: [
    `CREATE TABLE answered (
      key TEXT PRIMARY KEY, person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, request TEXT NOT NULL,
      status INTEGER, headers TEXT, body TEXT, at BIGINT NOT NULL)`,
  ],
} as const;

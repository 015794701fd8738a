/** What somebody who follows changes was told last: where a cursor stands. */
export const following = {
  name: '0042-following',
  statements: [
    `CREATE TABLE followed (
      id TEXT PRIMARY KEY, person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, follower TEXT NOT NULL,
      at BIGINT NOT NULL, state TEXT NOT NULL)`,
    `CREATE INDEX followed_by ON followed (follower, at)`,
  ],
} as const;

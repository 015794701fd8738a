/** Lines that wait for somebody's letter of the day or of the week; what ends a letter's like by one click; how many were gathered of what was told. */
export const lettersOneWants = {
  name: '0036-letters-one-wants',
  statements: [
    `CREATE TABLE gathered_lines (
      id TEXT PRIMARY KEY, person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, sort TEXT NOT NULL,
      about TEXT NOT NULL, line TEXT NOT NULL, history_id TEXT, at BIGINT NOT NULL)`,
    `CREATE INDEX gathered_lines_person ON gathered_lines (person_id)`,
    `CREATE INDEX gathered_lines_history ON gathered_lines (history_id)`,
    `ALTER TABLE outbox ADD COLUMN unsubscribe TEXT`,
    // Whom it tells of, where that is not who gets it: it goes with them.
    `ALTER TABLE outbox ADD COLUMN about_id TEXT`,
    `ALTER TABLE tellings ADD COLUMN gathered INTEGER NOT NULL DEFAULT 0`,
    // Who had a letter about what changed goes on having it.
    {
      converts: `UPDATE person_settings SET settings = json_set(json_remove(settings, '$.digest'), '$.letters',
        json_object('near', 'now', 'changes', 'daily', 'times', 'now', 'news', json_extract(settings, '$.digest')))
       WHERE json_extract(settings, '$.digest') IN ('daily', 'weekly')`,
    },
    {
      converts: `UPDATE person_settings SET settings = json_remove(settings, '$.digest') WHERE json_extract(settings, '$.digest') IS NOT NULL`,
    },
  ],
} as const;

/** Letters that go ahead of all others; and who is in a section is found at once, since many are told at short notice. */
export const urgentLetters = {
  name: '0025-urgent-letters',
  statements: [
    `ALTER TABLE outbox ADD COLUMN urgent INTEGER NOT NULL DEFAULT 0`,
    `CREATE INDEX roster_section ON roster (section_id)`,
  ],
} as const;

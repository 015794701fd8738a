/**
 * A note can hang on an entry; the entry may go while the note stays, so it is no foreign key. People are known by what
 * the school's own system calls them.
 */
export const notesAndRosters = {
  name: '0015-notes-and-rosters',
  statements: [
    `ALTER TABLE entries ADD COLUMN about_id TEXT`,
    `ALTER TABLE people ADD COLUMN sourced_id TEXT`,
    `CREATE UNIQUE INDEX people_sourced ON people (sourced_id)`,
  ],
} as const;

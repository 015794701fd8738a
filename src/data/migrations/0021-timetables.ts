/**
 * Timetables as schools have them: days that rotate, a section's own first and last day, classes outside of the pattern, where
 * each class takes place; days that open late, and days on which classes are online.
 */
export const timetables = {
  name: '0021-timetables',
  statements: [
    `ALTER TABLE terms ADD COLUMN cycle TEXT`,
    `ALTER TABLE sections ADD COLUMN first_day TEXT`,
    `ALTER TABLE sections ADD COLUMN last_day TEXT`,
    `ALTER TABLE meetings ADD COLUMN place TEXT`,
    `ALTER TABLE closures ADD COLUMN opens_at TEXT`,
    `ALTER TABLE closures ADD COLUMN online INTEGER NOT NULL DEFAULT 0`,
    `CREATE TABLE extra_classes (
      id TEXT PRIMARY KEY, section_id TEXT NOT NULL REFERENCES sections (id) ON DELETE CASCADE, date TEXT NOT NULL,
      start_time TEXT NOT NULL, end_time TEXT NOT NULL, place TEXT)`,
    `CREATE INDEX extra_classes_section ON extra_classes (section_id)`,
  ],
} as const;

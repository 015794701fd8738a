/** What a course says of its work to those who plan others: the hours it means to take, and whether titles may be read. */
export const expectedWork = {
  name: '0017-expected-work',
  statements: [
    `ALTER TABLE courses ADD COLUMN weekly_hours REAL`,
    `ALTER TABLE courses ADD COLUMN shares_titles INTEGER NOT NULL DEFAULT 0`,
  ],
} as const;

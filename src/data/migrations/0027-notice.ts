/** A line that the office sets for everybody. */
export const notice = {
  name: '0027-notice',
  statements: [`ALTER TABLE school ADD COLUMN notice TEXT NOT NULL DEFAULT ''`],
} as const;

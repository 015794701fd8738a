/** Dates of assignments that follow classes. */
export const classDates = {
  name: '0006-class-dates',
  statements: [
    `ALTER TABLE entries ADD COLUMN class_refs TEXT`,
    `ALTER TABLE entries ADD COLUMN section_dates TEXT`,
  ],
} as const;

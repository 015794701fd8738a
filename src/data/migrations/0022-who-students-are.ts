/** Whether the school's students are adults, minors, or some of each. */
export const whoStudentsAre = {
  name: '0022-who-students-are',
  statements: [`ALTER TABLE school ADD COLUMN students TEXT NOT NULL DEFAULT 'adults'`],
} as const;

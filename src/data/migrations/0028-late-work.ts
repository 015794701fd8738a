/** Late work and handing in again as choices; a name for the link into a meeting. */
export const lateWork = {
  name: '0028-late-work',
  statements: [
    `ALTER TABLE entries ADD COLUMN late_work TEXT CHECK (late_work IN ('refused', 'taken'))`,
    `ALTER TABLE entries ADD COLUMN hand_in_again INTEGER CHECK (hand_in_again IN (0, 1))`,
    `ALTER TABLE entries ADD COLUMN meeting_name TEXT NOT NULL DEFAULT ''`,
  ],
} as const;

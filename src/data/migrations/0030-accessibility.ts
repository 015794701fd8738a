/** What the school says about how it can be used by everybody, and whom one writes to who meets an obstacle. */
export const accessibility = {
  name: '0030-accessibility',
  statements: [
    `ALTER TABLE school ADD COLUMN access_contact TEXT NOT NULL DEFAULT ''`,
    `ALTER TABLE school ADD COLUMN access_statement TEXT NOT NULL DEFAULT ''`,
  ],
} as const;

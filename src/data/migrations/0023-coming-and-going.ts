/** When somebody came to a course, and when and from which section they went. Unknown: from before this was noted. */
export const comingAndGoing = {
  name: '0023-coming-and-going',
  statements: [
    `ALTER TABLE roster ADD COLUMN joined_at INTEGER`,
    `ALTER TABLE departures ADD COLUMN left_at INTEGER`,
    `ALTER TABLE departures ADD COLUMN section_id TEXT`,
  ],
} as const;

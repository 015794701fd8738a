/** A closure of a course that concerns some of its sections alone: a JSON list of ids. */
export const closedSections = {
  name: '0033-closed-sections',
  statements: ['ALTER TABLE closures ADD COLUMN sections TEXT'],
} as const;

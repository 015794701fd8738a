/**
 * What counts apart from a course's classes, such as its labs: of a class, and of what is planned for one. A section that never
 * meets is planned by teaching weeks, which last until a day.
 */
export const strands = {
  name: '0034-strands',
  statements: [
    ...['meetings', 'extra_classes', 'class_plans'].map(
      (table) => `ALTER TABLE ${table} ADD COLUMN strand TEXT`,
    ),
    'ALTER TABLE meetings ADD COLUMN until_date TEXT',
  ],
} as const;

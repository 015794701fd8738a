/** Occurrences on days without classes, of a series which skips those; none: the series takes place all the same. */
export const closedOccurrences = {
  name: '0026-closed-occurrences',
  statements: [`ALTER TABLE entries ADD COLUMN closed TEXT`],
} as const;

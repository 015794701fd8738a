/** A single time of a sheet can be elsewhere: in its own place, or by its own link. */
export const ownPlaces = {
  name: '0024-own-places',
  statements: [`ALTER TABLE slots ADD COLUMN place TEXT`, `ALTER TABLE slots ADD COLUMN meeting_link TEXT`],
} as const;

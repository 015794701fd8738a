import type { OwnedToken } from '@/data/tokens/tokens';

/** A token as the API lists it: all but what it consists of. */
export const tokenRecord = ({ id, name, ownerName, scopes, courses, origins, created, expires, lastUsed }: OwnedToken) => ({
  id,
  name,
  owner: ownerName,
  scopes: [...scopes],
  ...(courses ? { courses: [...courses] } : {}),
  origins,
  created: created.toString({ smallestUnit: 'second' }),
  ...(expires ? { expires: expires.on.toString() } : {}),
  ...(lastUsed ? { lastUsed: lastUsed.toString({ smallestUnit: 'second' }) } : {}),
}); // prettier-ignore

import type { Addressed } from '@/server/outlets/publish';

/** An outlet as the API tells of it. */
export const outletRecord = ({ id, kind, audience, name, url }: Addressed) => ({
  id,
  kind,
  audience,
  name,
  url,
});

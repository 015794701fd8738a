import { z } from 'zod';

/** As whom staff look: a key of "See as"; absent: as themselves. */
export const asQuery = z.object({ as: z.string().max(60).optional() });

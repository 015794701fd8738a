import { z } from 'zod';
import { done } from '@/core/refusals';
import { platformInput } from '@/core/lti/platform';
import { platformsFor, savePlatform } from '@/server/lti/platforms';
import { endpoint } from '../../endpoint';

const platformRecord = z.object({
  id: z.string(),
  name: z.string(),
  issuer: z.string(),
  clientId: z.string(),
  keysUrl: z.string(),
  authUrl: z.string(),
  tokenUrl: z.string(),
  tokenAudience: z.string(),
  origins: z.array(z.string()),
  deployments: z.array(z.string()),
  asksNames: z.boolean(),
  accepted: z.boolean(),
});

/** The course sites from which people come, for the administrator. */
export const GET = endpoint(
  { who: 'person', answer: z.object({ items: z.array(platformRecord) }) },
  async ({ pembit, actor }) => {
    const found = await platformsFor(pembit, actor);
    return found.ok ? done({ items: found.value }) : found;
  },
);

/** Connects a course’s site (LTI 1.3), for the administrator. */
export const POST = endpoint(
  { who: 'person', body: platformInput, answer: z.object({ id: z.string(), name: z.string() }) },
  ({ pembit, actor, body }) => savePlatform(pembit, actor, body),
);

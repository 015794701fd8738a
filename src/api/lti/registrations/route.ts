import { z } from 'zod';
import { makeRegistrationAddress } from '@/server/lti/platforms';
import { endpoint } from '../../endpoint';

/** Makes an address at which a course’s site registers itself, once, within an hour; for the administrator. */
export const POST = endpoint({ who: 'person', answer: z.object({ url: z.string() }) }, ({ pembit, actor }) =>
  makeRegistrationAddress(pembit, actor),
);

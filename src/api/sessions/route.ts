import { z } from 'zod';
import { done } from '@/core/refusals';
import { signOutEverywhere } from '@/server/session/session';
import { endpoint } from '../endpoint';

/** Signs the person out on every device. */
export const DELETE = endpoint({ who: 'person', answer: z.null() }, async ({ pembit, actor }) => {
  await signOutEverywhere(pembit, actor);
  return done(null);
});

import { z } from 'zod';
import { siteDateInput } from '@/core/frame/frameInput';
import { addSiteDate } from '@/server/frame/siteDates';
import { endpoint } from '../endpoint';

/** Adds a date for everyone. */
export const POST = endpoint(
  { who: 'person', body: siteDateInput, answer: z.object({ name: z.string() }) },
  async ({ pembit, actor, body }) => {
    const outcome = await addSiteDate(pembit, actor, body);
    return outcome.ok ? { ...outcome, status: 201 } : outcome;
  },
);

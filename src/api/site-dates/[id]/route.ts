import { z } from 'zod';
import { siteDateId } from '@/core/ids';
import { removeSiteDate } from '@/server/frame/siteDates';
import { endpoint } from '../../endpoint';

const params = z.object({ id: siteDateId });

/** Takes a date for everyone away. */
export const DELETE = endpoint(
  { who: 'person', row: 'site_dates', params, answer: z.object({ name: z.string() }) },
  ({ pembit, actor, params }) => removeSiteDate(pembit, actor, params.id),
);

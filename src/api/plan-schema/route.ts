import { z } from 'zod';
import { planFileSchema } from '@/core/exchange/planFile';
import { endpoint } from '../endpoint';

/** The JSON Schema of `plan.json` in a plan package. */
export const GET = endpoint({ who: 'anyone', answer: z.looseObject({}) }, () =>
  Promise.resolve({ ok: true, value: planFileSchema() }),
);

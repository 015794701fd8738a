import { z } from 'zod';
import { done } from '@/core/refusals';
import { endpoint } from '../endpoint';
import description from './description.json';

/** The API as OpenAPI 3.1; `npm run openapi` writes it anew. */
export const GET = endpoint({ who: 'anyone', answer: z.looseObject({}) }, () =>
  Promise.resolve(done(description)),
);

import { z } from 'zod';
import { setupInput } from '@/core/frame/frameInput';
import { setUp } from '@/server/frame/setUp';
import { endpoint } from '../endpoint';

/** The first run; 404 once anybody has an account. */
export const POST = endpoint(
  { who: 'anyone', body: setupInput, answer: z.object({ email: z.string() }) },
  ({ pembit, body, from }) => setUp(pembit, body, from),
);

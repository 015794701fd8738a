import { done } from '@/core/refusals';
import { health } from '@/server/health';
import { endpoint } from '../endpoint';

/** Whether the server is live and ready. */
export const GET = endpoint({ who: 'anyone' }, async ({ pembit }) => done(await health(pembit)));

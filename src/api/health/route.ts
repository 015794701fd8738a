import { done } from '@/core/refusals';
import { health } from '@/server/health';
import { endpoint } from '../endpoint';

/** Whether the server is live and ready. */
export const GET = endpoint({ who: 'anyone' }, async ({ pembit }) => {
  const found = await health(pembit);
  return { ...done(found), status: found.ready ? 200 : 503 };
});

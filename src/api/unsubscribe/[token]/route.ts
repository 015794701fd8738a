import { z } from 'zod';
import { unsubscribe } from '@/server/mail/unsubscribe';
import { sharedPembit } from '@/server/pembit';
import { endpoint } from '../../endpoint';

const params = z.object({ token: z.string().max(200) });

/** Whoever opens the address in a browser is asked first: programs that look at letters open what stands in them. */
export const GET = endpoint({ who: 'anyone', params, answer: 'text/html' }, ({ params }) =>
  Promise.resolve(
    new Response(null, {
      status: 303,
      headers: { location: `${sharedPembit().config.baseUrl}/letters/${params.token}` },
    }),
  ),
);

const made = z.object({
  sort: z.enum(['near', 'changes', 'times', 'news', 'reminders', 'guardian', 'gathered']),
});

/** Ends letters of one sort to one person. A mail program sends it by itself (RFC 8058): the token proves it, nothing else does. */
export const POST = endpoint(
  { who: 'anyone', params, provesItself: true, beforeSecondStep: true, answer: made },
  ({ pembit, params }) => unsubscribe(pembit, params.token),
);

import { z } from 'zod';
import { done, refused } from '@/core/refusals';
import { letIn, letInCommand, mayLetIn } from '@/server/admin/letIn';
import { endpoint } from '../../endpoint';

/** What `npm run admin` asks a server that holds the folder: carried out for whoever knows the server's secret. */
export const POST = endpoint(
  { who: 'anyone', body: letInCommand, answer: z.object({ link: z.string() }) },
  async ({ pembit, request, body }) =>
    mayLetIn(pembit.secret, body, request.headers.get('pembit-proof') ?? '')
      ? done(await letIn(pembit, body))
      : refused('notFound'),
);

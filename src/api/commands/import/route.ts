import { z } from 'zod';
import { refused } from '@/core/refusals';
import { importByCommand, importCommand, mayKnock, provenBy } from '@/server/exchange/importCommand';
import { endpoint } from '../../endpoint';

/** A file of the largest size, in base64. */
const LARGEST_COMMAND = 70 * 1024 * 1024;

const answer = z.object({
  added: z.number(),
  changed: z.number(),
  same: z.number(),
  left: z.array(z.object({ line: z.number(), title: z.string(), why: z.string() })),
});

/** What `npm run import` asks a server that holds the folder: carried out for whoever knows the server's secret. */
export const POST = endpoint(
  {
    who: 'anyone',
    before: (pembit, request) => mayKnock(pembit, request.headers.get('pembit-door') ?? ''),
    body: importCommand,
    bytes: LARGEST_COMMAND,
    answer,
  },
  async ({ pembit, request, body }) =>
    provenBy(pembit, body, request.headers.get('pembit-proof') ?? '')
      ? importByCommand(pembit, body)
      : refused('notFound'),
);

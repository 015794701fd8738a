import { refused } from '@/core/refusals';
import { importByCommand, importCommand, provenBy } from '@/server/exchange/importCommand';
import { endpoint } from '../../endpoint';

/** What `npm run import` asks a server that holds the folder: carried out for whoever knows the server's secret. */
export const POST = endpoint({ who: 'anyone', body: importCommand }, async ({ pembit, request, body }) =>
  provenBy(pembit, body, request.headers.get('pembit-proof') ?? '')
    ? importByCommand(pembit, body)
    : refused('notFound'),
);

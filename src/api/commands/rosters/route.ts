import { refused } from '@/core/refusals';
import { readRostersOf } from '@/server/people/keepRosters';
import { mayReadRosters, rosterCommand } from '@/server/people/rosterCommand';
import { endpoint } from '../../endpoint';
import { rosterReport } from '../../rosters/rosterReport';

/** What `npm run roster` asks a server that holds the folder: carried out for whoever knows the server's secret. */
export const POST = endpoint(
  { who: 'anyone', body: rosterCommand, answer: rosterReport },
  async ({ pembit, request, body }) =>
    mayReadRosters(pembit, body, request.headers.get('pembit-proof') ?? '')
      ? readRostersOf(pembit, body.folder)
      : refused('notFound'),
);

import { z } from 'zod';
import { entryId } from '@/core/ids';
import { entryHistory } from '@/server/history/entryHistory';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: entryId });

/** What was done to the entry, newest first. */
export const GET = endpoint({ who: 'person', params }, ({ pembit, actor, params }) =>
  entryHistory(pembit, actor, params.id),
);

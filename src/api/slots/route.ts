import { listQuery } from '@/core/frame/listQuery';
import { listPage } from '@/server/lists/lists';
import { endpoint } from '../endpoint';
import { pageOf, slotRecord } from '../records';

/** The slots that you see, a page at a time. */
export const GET = endpoint(
  { who: 'person', query: listQuery, answer: pageOf(slotRecord) },
  ({ pembit, actor, query }) => listPage(pembit, actor, 'slots', query),
);

import { listQuery } from '@/core/frame/listQuery';
import { listPage } from '@/server/lists/lists';
import { endpoint } from '../endpoint';
import { meetingRecord, pageOf } from '../records';

/** The meetings that you see, a page at a time. */
export const GET = endpoint(
  { who: 'person', query: listQuery, answer: pageOf(meetingRecord) },
  ({ pembit, actor, query }) => listPage(pembit, actor, 'meetings', query),
);

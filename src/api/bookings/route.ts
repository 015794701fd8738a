import { listQuery } from '@/core/frame/listQuery';
import { listPage } from '@/server/lists/lists';
import { endpoint } from '../endpoint';
import { bookingRecord, pageOf } from '../records';

/** The bookings that you see, a page at a time. */
export const GET = endpoint(
  { who: 'person', query: listQuery, answer: pageOf(bookingRecord) },
  ({ pembit, actor, query }) => listPage(pembit, actor, 'bookings', query),
);

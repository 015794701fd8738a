import { listQuery } from '@/core/frame/listQuery';
import { listPage } from '@/server/lists/lists';
import { endpoint } from '../endpoint';
import { pageOf, sectionRecord } from '../records';

/** The sections that you see, a page at a time. */
export const GET = endpoint(
  { who: 'person', query: listQuery, answer: pageOf(sectionRecord) },
  ({ pembit, actor, query }) => listPage(pembit, actor, 'sections', query),
);

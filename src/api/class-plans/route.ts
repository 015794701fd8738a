import { listQuery } from '@/core/frame/listQuery';
import { listPage } from '@/server/lists/lists';
import { endpoint } from '../endpoint';
import { classPlanRecord, pageOf } from '../records';

/** The class plans that you see, a page at a time. */
export const GET = endpoint(
  { who: 'person', query: listQuery, answer: pageOf(classPlanRecord) },
  ({ pembit, actor, query }) => listPage(pembit, actor, 'class-plans', query),
);

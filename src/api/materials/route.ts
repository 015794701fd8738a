import { listQuery } from '@/core/frame/listQuery';
import { materialsPage } from '@/server/lists/materialsList';
import { endpoint } from '../endpoint';
import { materialRecord, pageOf } from '../records';

/** The materials of your courses, as you see them, a page at a time. */
export const GET = endpoint(
  { who: 'person', query: listQuery, answer: pageOf(materialRecord) },
  ({ pembit, actor, query }) => materialsPage(pembit, actor, query),
);

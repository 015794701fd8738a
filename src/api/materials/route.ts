import { listQuery } from '@/core/frame/listQuery';
import { materialsPage } from '@/server/lists/materialsList';
import { endpoint } from '../endpoint';

/** The materials of your courses, as you see them, a page at a time. */
export const GET = endpoint({ who: 'person', query: listQuery }, ({ pembit, actor, query }) =>
  materialsPage(pembit, actor, query),
);

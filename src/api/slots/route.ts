import { listQuery } from '@/core/frame/listQuery';
import { listPage } from '@/server/lists/lists';
import { endpoint } from '../endpoint';

/** The slots that you see, a page at a time. */
export const GET = endpoint({ who: 'person', query: listQuery }, ({ pembit, actor, query }) =>
  listPage(pembit, actor, 'slots', query),
);

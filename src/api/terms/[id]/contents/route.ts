import { z } from 'zod';
import { termId } from '@/core/ids';
import { termDeletion } from '@/server/frame/terms';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: termId });

/** What deleting the term would take away. */
export const GET = endpoint({ who: 'person', params }, ({ pembit, actor, params }) =>
  termDeletion(pembit, actor, params.id),
);

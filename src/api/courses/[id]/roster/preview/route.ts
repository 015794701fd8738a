import { z } from 'zod';
import { longText } from '@/core/fields';
import { courseId } from '@/core/ids';
import { previewRoster } from '@/server/people/roster';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: courseId });
const list = z.object({ list: longText(2_000_000) });

/** What a list would add, line by line; nothing is saved. */
export const POST = endpoint(
  { who: 'person', params, body: list, bytes: 8 * 1024 * 1024 },
  ({ pembit, actor, params, body }) => previewRoster(pembit, actor, params.id, body.list),
);

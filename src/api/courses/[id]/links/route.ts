import { z } from 'zod';
import { isStaffOf } from '@/core/entries/viewer';
import { courseId } from '@/core/ids';
import { refused } from '@/core/refusals';
import { testLinksOf } from '@/server/links/testLinks';
import { endpoint } from '../../../endpoint';
import { progressAnswer } from '../../../progressAnswer';

const params = z.object({ id: courseId });

/** Tests every link of a course now, and says how far it is. */
export const POST = endpoint(
  { who: 'person', params, answer: 'application/x-ndjson' },
  async ({ pembit, actor, params }) =>
    isStaffOf(actor.viewer, params.id)
      ? progressAnswer((progress) => testLinksOf(pembit, actor, params.id, progress))
      : refused('notFound'),
);

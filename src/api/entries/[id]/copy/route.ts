import { z } from 'zod';
import { copyDays } from '@/core/entries/entryInput';
import { courseIds, entryId } from '@/core/ids';
import { copyEntry } from '@/server/entries/copyEntry';
import { endpoint } from '../../../endpoint';
import { savedEntry } from '../../../records';
import { entryAnswer } from '../../entryAnswer';

const params = z.object({ id: entryId });
const body = z.object({ courses: courseIds.optional(), days: copyDays.optional() });

/** Makes a copy, a draft: for the same audience, or for everyone in other courses; `days` later. */
export const POST = endpoint(
  { who: 'person', params, body, answer: savedEntry },
  async ({ pembit, actor, params, body }) =>
    entryAnswer(await copyEntry(pembit, actor, params.id, body), 201),
);

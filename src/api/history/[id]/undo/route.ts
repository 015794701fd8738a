import { z } from 'zod';
import { historyId } from '@/core/ids';
import { undoChange } from '@/server/history/undoChange';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: historyId });

/** Takes an act back, unless later changes rest on it. */
export const POST = endpoint(
  { who: 'person', params, answer: z.object({ summary: z.string() }) },
  ({ pembit, actor, params }) => undoChange(pembit, actor, params.id),
);

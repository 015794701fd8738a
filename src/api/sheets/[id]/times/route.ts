import { z } from 'zod';
import { sheetId } from '@/core/ids';
import { retimeInput } from '@/core/signup/sheetInput';
import { retime } from '@/server/signup/changeSheet';
import { endpoint } from '../../../endpoint';

const params = z.object({ id: sheetId });

/** Gives a sheet other times. */
export const PUT = endpoint(
  {
    who: 'person',
    params,
    body: retimeInput,
    bytes: 512 * 1024,
    answer: z.object({ added: z.number(), removed: z.number(), told: z.number() }),
  },
  ({ pembit, actor, params, body }) => retime(pembit, actor, params.id, body),
);

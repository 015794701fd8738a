import { z } from 'zod';
import { outletId } from '@/core/ids';
import { replaceAddress } from '@/server/outlets/publish';
import { outletRecord } from '../../../outletRecord';
import { endpoint } from '../../../endpoint';
import { publishedOutlet } from '../../../records';

const params = z.object({ id: outletId });

/** Gives a feed or an embed another address in the place of the one it has. */
export const POST = endpoint(
  { who: 'person', params, answer: publishedOutlet },
  async ({ pembit, actor, params }) => {
    const outcome = await replaceAddress(pembit, actor, params.id);
    return outcome.ok ? { ...outcome, value: outletRecord(outcome.value) } : outcome;
  },
);

import { personalFeedInput } from '@/core/outlets/outletInput';
import { changePersonalFeed } from '@/server/outlets/publish';
import { endpoint } from '../../endpoint';
import { publishedOutlet } from '../../records';
import { outletRecord } from '../../outletRecord';

/** Chooses what is in one's own feed. */
export const PUT = endpoint(
  { who: 'person', body: personalFeedInput, answer: publishedOutlet },
  async ({ pembit, actor, body }) => {
    const outcome = await changePersonalFeed(pembit, actor, body);
    return outcome.ok ? { ...outcome, value: outletRecord(outcome.value) } : outcome;
  },
);

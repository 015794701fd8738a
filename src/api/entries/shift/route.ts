import { z } from 'zod';
import { dayOrWall } from '@/core/fields';
import { entryId } from '@/core/ids';
import { shiftEntries } from '@/server/entries/shiftEntry';
import { endpoint } from '../../endpoint';
import { shiftBy } from '../shiftBy';

const body = z.object({
  ...shiftBy,
  items: z
    .array(z.object({ id: entryId, recurrenceId: dayOrWall.optional(), days: shiftBy.days.optional() }))
    .min(1, 'Choose at least one entry.')
    .max(500, 'At most 500 entries at once.'),
});

/** Moves several entries by the same number of days, or each by its own. */
export const POST = endpoint(
  { who: 'person', body, answer: z.object({ moved: z.number() }) },
  async ({ pembit, actor, body }) => {
    const { items, ...by } = body;
    const outcome = await shiftEntries(pembit, actor, items, by);
    return outcome.ok ? { ...outcome, value: { moved: outcome.value.length } } : outcome;
  },
);

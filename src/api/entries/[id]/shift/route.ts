import { z } from 'zod';
import { dayOrWall } from '@/core/fields';
import { entryId } from '@/core/ids';
import { shiftEntries } from '@/server/entries/shiftEntry';
import { endpoint } from '../../../endpoint';
import { shiftBy } from '../../shiftBy';

const params = z.object({ id: entryId });
const body = z.object({ ...shiftBy, recurrenceId: dayOrWall.optional() });

/** Moves an entry by days, alone or with what hangs on its date. */
export const POST = endpoint(
  { who: 'person', row: 'entries', params, body, answer: z.object({ moved: z.number() }) },
  async ({ pembit, actor, params, body }) => {
    const { recurrenceId, ...by } = body;
    const outcome = await shiftEntries(pembit, actor, [{ id: params.id, recurrenceId }], by);
    return outcome.ok ? { ...outcome, value: { moved: outcome.value.length } } : outcome;
  },
);

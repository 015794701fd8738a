import { z } from 'zod';
import { longText } from '@/core/fields';
import { slotId } from '@/core/ids';
import { slotInput } from '@/core/signup/sheetInput';
import { cancelTime } from '@/server/signup/cancelTimes';
import { changeSlot } from '@/server/signup/changeSlots';
import { oneListed } from '@/server/lists/lists';
import { endpoint } from '../../endpoint';
import { slotRecord } from '../../records';

const params = z.object({ id: slotId });

/** A slot, as you see it. */
export const GET = endpoint(
  { who: 'person', row: 'slots', params, answer: slotRecord },
  ({ pembit, actor, params }) => oneListed(pembit, actor, 'slots', params.id),
);
const query = z.object({ message: longText(2000).default('') });

/** Gives a time another beginning, end or number of seats. */
export const PUT = endpoint(
  { who: 'person', row: 'slots', params, body: slotInput, answer: z.object({ when: z.string() }) },
  ({ pembit, actor, params, body }) => changeSlot(pembit, actor, params.id, body),
);

/** Takes a time off its sheet; whoever had it is told. */
export const DELETE = endpoint(
  { who: 'person', row: 'slots', params, query, answer: z.object({ told: z.number() }) },
  ({ pembit, actor, params, query }) => cancelTime(pembit, actor, params.id, query.message),
);

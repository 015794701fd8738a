import { z } from 'zod';
import { plainDateTime } from '@/core/fields';
import { copyDays } from '@/core/entries/entryInput';
import { courseIds, entryId } from '@/core/ids';
import { actOnSeveral } from '@/server/entries/bulk';
import { endpoint } from '../../endpoint';

const ids = z.array(entryId).min(1, 'Choose at least one entry.').max(500, 'At most 500 entries at once.');
const whole = (what: string, min: number, max: number) =>
  z.number({ error: what }).int(what).min(min, what).max(max, what);

const body = z.discriminatedUnion(
  'act',
  [
    z.object({ ids, act: z.enum(['delete', 'cancel', 'show', 'draft']) }),
    z.object({ ids, act: z.literal('copy'), courses: courseIds, days: copyDays.default(0) }),
    z.object({ ids, act: z.literal('showFrom'), from: plainDateTime }),
    z.object({
      ids,
      act: z.literal('showBefore'),
      days: whole('Type a number of days from 0 to 365.', 0, 365),
    }),
    z.object({
      ids,
      act: z.literal('moveMeetings'),
      meetings: whole('Say by how many classes, such as 1 or -2.', -60, 60).refine(
        (n) => n !== 0,
        'It stays where it is.',
      ),
    }),
  ],
  {
    error:
      'Say what to do: "delete", "cancel", "copy", "show", "draft", "showFrom", "showBefore" or "moveMeetings".',
  },
);

/** One act on several entries: all of them, or none. */
export const POST = endpoint(
  { who: 'person', body, bytes: 512 * 1024, answer: z.object({ changed: z.number() }) },
  ({ pembit, actor, body }) => {
    const { ids: chosen, ...act } = body;
    return actOnSeveral(pembit, actor, [...new Set(chosen)], act);
  },
);

import { z } from 'zod';
import { courseId } from '@/core/ids';
import { scheduleText } from '@/core/schedule/scheduleInput';
import { previewSchedule } from '@/server/schedule/takeSchedule';
import { endpoint } from '../../../../endpoint';

const params = z.object({ id: courseId });

const answer = z.object({
  lines: z.array(
    z.object({
      text: z.string(),
      kind: z.enum(['times', 'due', 'event', 'topic', 'closure', 'heading', 'nothing']),
      title: z.string(),
      date: z.string().optional(),
      to: z.string().optional(),
      time: z.string().optional(),
      end: z.string().optional(),
      week: z.number().optional(),
      weekday: z.number().optional(),
      class: z.number().optional(),
      set: z.string().optional(),
      opens: z.string().optional(),
      closes: z.string().optional(),
      link: z.string().optional(),
      points: z.number().optional(),
      asks: z.array(
        z.object({
          field: z.enum(['date', 'set', 'kind', 'to', 'opens', 'closes', 'time']),
          question: z.string(),
          choices: z.array(z.object({ label: z.string(), value: z.string() })),
        }),
      ),
      state: z.enum(['new', 'same', 'replaces']),
      replaces: z.string().optional(),
      beside: z.array(z.string()),
    }),
  ),
});

/** What a pasted schedule says, line by line; what is unclear is asked. Nothing is saved. */
export const POST = endpoint(
  { who: 'person', params, body: scheduleText, bytes: 2 * 1024 * 1024, answer },
  ({ pembit, actor, params, body }) => previewSchedule(pembit, actor, params.id, body.text),
);

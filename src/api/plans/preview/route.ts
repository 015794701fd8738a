import { z } from 'zod';
import { fileId } from '@/core/ids';
import { previewPlan } from '@/server/exchange/bringPlan';
import { endpoint } from '../../endpoint';

const body = z.object({ file: fileId });

const answer = z.object({
  outline: z.boolean(),
  term: z.object({ name: z.string(), from: z.string(), to: z.string(), zone: z.string() }),
  termHere: z.boolean(),
  courses: z.array(
    z.object({
      id: z.string(),
      code: z.string(),
      title: z.string(),
      classes: z.number(),
      planned: z.number(),
    }),
  ),
  problems: z.array(z.string()),
});

/** What an uploaded plan package holds. */
export const POST = endpoint({ who: 'person', body, answer }, ({ pembit, actor, body }) =>
  previewPlan(pembit, actor, body.file),
);

import { z } from 'zod';
import { carryInput } from '@/core/carryover/carry';
import { previewCarryOver } from '@/server/carryover/carryOverPlan';
import { carryView } from '@/ui/carryover/carryView';
import { endpoint } from '../../endpoint';

const answer = z.object({
  rows: z.array(
    z.object({
      id: z.string(),
      kind: z.string(),
      title: z.string(),
      from: z.string(),
      to: z.string(),
      toWords: z.string(),
      left: z.boolean(),
      stays: z.boolean(),
      fixed: z.boolean(),
      needsLook: z.boolean(),
      remarks: z.array(z.string()),
      corrections: z.array(z.string()),
    }),
  ),
  counts: z.string(),
  carried: z.number(),
  along: z.string(),
  students: z.number(),
});

/** What comes of everything in a course when it is carried over to another; nothing is saved. */
export const POST = endpoint(
  { who: 'person', body: carryInput, bytes: 2 * 1024 * 1024, answer },
  async ({ pembit, actor, body }) => {
    const preview = await previewCarryOver(pembit, actor, body);
    return preview.ok ? { ...preview, value: carryView(preview.value) } : preview;
  },
);

import { z } from 'zod';
import { closureInput } from '@/core/frame/frameInput';
import { previewClosure } from '@/server/frame/closures';
import { endpoint } from '../../endpoint';

const answer = z.array(
  z.object({
    tag: z.string(),
    title: z.string(),
    meetings: z.number(),
    moving: z.number(),
    due: z.number(),
    taken: z.number(),
    free: z.number(),
    movable: z.array(z.string()),
    closable: z.number(),
    holding: z.number(),
    plans: z.number(),
    events: z.number(),
    details: z.array(z.string()),
  }),
);

/** What a closure would hit; nothing is saved. */
export const POST = endpoint({ who: 'person', body: closureInput, answer }, ({ pembit, actor, body }) =>
  previewClosure(pembit, actor, body),
);

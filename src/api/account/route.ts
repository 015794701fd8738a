import { z } from 'zod';
import { personSettingsInput } from '@/core/frame/personSettings';
import { COURSE_COLORS } from '@/core/plan/plan';
import { done } from '@/core/refusals';
import { changeOwnSettings, settingsOf } from '@/server/students/settings';
import { endpoint } from '../endpoint';

const settings = z.object({
  plain: z.boolean(),
  colors: z.record(z.string(), z.enum(COURSE_COLORS)),
  letters: z.object({
    near: z.enum(['never', 'now', 'daily', 'weekly']),
    changes: z.enum(['never', 'now', 'daily', 'weekly']),
    times: z.enum(['never', 'now', 'daily', 'weekly']),
    news: z.enum(['never', 'daily', 'weekly']),
  }),
  remind: z.object({ due: z.number().optional(), booking: z.number().optional() }),
  contact: z.string(),
  guardiansRead: z.boolean(),
  locale: z
    .enum(['en-GB', 'en-US', 'en-CA', 'fr-CA', 'fr-FR', 'de-DE', 'es-ES', 'nb-NO', 'sv-SE', 'nl-NL'])
    .optional(),
  clock: z.union([z.literal(12), z.literal(24)]).optional(),
  weekStart: z.union([z.literal(1), z.literal(7), z.literal(6)]).optional(),
  tzid: z.string().optional(),
});

/** What one has chosen for oneself. */
export const GET = endpoint({ who: 'person', answer: settings }, async ({ pembit, actor }) =>
  done(await settingsOf(pembit, actor.person.id)),
);

/** What one chooses for oneself: dates, zone, colours, letters. */
export const PUT = endpoint(
  { who: 'person', body: personSettingsInput, answer: settings },
  async ({ pembit, actor, body }) => changeOwnSettings(pembit, actor, body),
);

import { z } from 'zod';
import { dateLabel } from '@/core/time/dateLabels';
import { proposeSpread, spreadInput } from '@/server/load/spreadWork';
import { endpoint } from '../../endpoint';

const answer = z.object({
  moves: z.array(
    z.object({
      from: z.string(),
      to: z.string(),
      days: z.number(),
      id: z.string(),
      title: z.string(),
      concerned: z.number(),
      alarmed: z.number(),
    }),
  ),
  alarmedNow: z.number(),
  alarmedThen: z.number(),
});

/** Days for some of a course's work around what its students have due anyway; nothing is saved. */
export const POST = endpoint(
  { who: 'person', body: spreadInput, bytes: 512 * 1024, answer },
  async ({ pembit, actor, body }) => {
    const proposal = await proposeSpread(pembit, actor, body);
    if (!proposal.ok) return proposal;
    const { locale, ...score } = proposal.value;
    const moves = score.moves.map(({ from, to, ...move }) => ({
      ...move,
      from: dateLabel(from, 'short', locale),
      to: dateLabel(to, 'short', locale),
      days: from.until(to, { largestUnit: 'days' }).days,
    }));
    return { ...proposal, value: { ...score, moves } };
  },
);

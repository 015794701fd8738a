import type { Temporal } from 'temporal-polyfill';
import { z } from 'zod';
import { plainDate } from '@/core/fields';
import { courseId, entryId } from '@/core/ids';
import { commonDates } from '@/core/load/commonDates';
import { loadByDay } from '@/core/load/loadByDay';
import { ALARM } from '@/core/load/loadItem';
import { spreadDates } from '@/core/load/spreadDates';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { loadTexts } from '@/core/texts/load';
import { schoolSettings } from '@/data/plan/schoolSettings';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { courseLoad } from './courseLoad';
import { isOpenDay } from './openDays';

export const spreadInput = z.object({
  course: courseId,
  entries: z.array(entryId).min(1, loadTexts.errors.entries).max(100, 'At most 100 at once.'),
  earliest: plainDate,
  latest: plainDate,
  /** Days from one to the next, at least. */
  gap: z.number({ error: loadTexts.errors.gap }).int(loadTexts.errors.gap).min(1).max(60).default(1),
  /** The ISO weekday on which all are to be due. */
  weekday: z.number().int().min(1).max(7).optional(),
  alarm: z.number().int().min(1).max(10).default(ALARM),
});
export type SpreadInput = z.output<typeof spreadInput>;

export type SpreadProposal = Readonly<{
  moves: readonly Readonly<{
    id: string;
    title: string;
    from: Temporal.PlainDate;
    to: Temporal.PlainDate;
    concerned: number;
    alarmed: number;
  }>[];
  /** Students who have too much on one of the days, as they are and as they would be. */
  alarmedNow: number;
  alarmedThen: number;
  /** How the school writes dates. */
  locale: string;
}>;

/** Days for some of a course's work, spread over a stretch of the term around what its students have due anyway; nothing is saved. */
export async function proposeSpread(
  pembit: Pembit,
  actor: SignedIn,
  input: SpreadInput,
): Promise<Outcome<SpreadProposal>> {
  const found = await courseLoad(pembit, actor, input.course, { alarm: input.alarm });
  if (!found.ok) return found;
  const load = found.value;
  const wanted = new Set<string>(input.entries);
  const own = load.items.filter((item) => item.course === input.course && wanted.has(item.id));
  const first = commonDates(own);
  if (first.length < wanted.size) return refused('notFound');
  const counted = { days: load.dates.length, students: load.students };
  const without = load.items.filter((item) => !wanted.has(item.id));
  // Who has one thing less than too much would have too much with this one.
  const others = loadByDay(without, { ...counted, alarm: Math.max(1, input.alarm - 1) });
  const dayOf = (date: Temporal.PlainDate) => load.term.startsOn.until(date, { largestUnit: 'days' }).days;
  const spread = spreadDates(others, {
    count: first.length,
    earliest: dayOf(input.earliest),
    latest: dayOf(input.latest),
    gap: input.gap,
    isOpen: (day) => isOpenDay(load, day) && (!input.weekday || load.dates[day]!.dayOfWeek === input.weekday),
  });
  if (!spread) return refused('badRequest', [{ field: 'latest', message: loadTexts.errors.noRoom({ n: first.length }) }]); // prettier-ignore
  return done({
    moves: first.map(({ id, title, due }, i) => {
      const day = spread.days[i]!;
      return { id, title, from: load.term.startsOn.add({ days: due }), to: load.dates[day]!, concerned: others[day]!.concerned, alarmed: others[day]!.alarmed }; // prettier-ignore
    }),
    alarmedNow: sum(first.map(({ due }) => load.days[due]?.alarmed ?? 0)),
    alarmedThen: spread.alarmed,
    locale: (await schoolSettings(pembit)).locale,
  });
}

const sum = (list: readonly number[]) => list.reduce((total, n) => total + n, 0);

import type { Temporal } from 'temporal-polyfill';
import type { Extension } from '@/core/entries/entry';
import type { CourseId, EntryId, PersonId } from '@/core/ids';
import { mayIn } from '@/core/may/may';
import type { BeforeYouCame } from '@/core/plan/beforeYouCame';
import { beforeYouCame } from '@/core/plan/beforeYouCame';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { memberTexts } from '@/core/texts/members';
import type { Moment } from '@/core/time/zonedWall';
import { laterBy } from '@/core/time/zonedWall';
import { requireZone } from '@/core/time/zoneData';
import { entryById } from '@/data/entries/entries';
import { refTo } from '@/data/history/personRefs';
import type { LateMember } from '@/data/people/lateMembers';
import { lateMembers } from '@/data/people/lateMembers';
import { viewerOf } from '@/data/people/people';
import { saveEntry } from '../entries/saveEntry';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import { planSeenBy } from '../plan/planSeenBy';
import type { SignedIn } from '../session/session';

/** For how long after somebody's coming is said what went before. */
const SAID_DAYS = 21;

const cameLately = (pembit: Pembit, where: Parameters<typeof lateMembers>[1]): Promise<LateMember[]> =>
  lateMembers(pembit, where, pembit.now().subtract({ hours: 24 * SAID_DAYS }));

/** What went before somebody's coming, as they see it. */
async function missedBy(
  pembit: Pembit,
  { course, person, at }: LateMember,
): Promise<BeforeYouCame | undefined> {
  const now = pembit.now();
  const plan = await planSeenBy(pembit, await viewerOf(pembit, person, now), { notes: false });
  return beforeYouCame(plan, { course, at, now, zoneOf: requireZone });
}

/** The courses that somebody came to late, with what went before. */
export async function missedOf(pembit: Pembit, actor: SignedIn): Promise<(BeforeYouCame & { course: CourseId })[]> {
  const came = await cameLately(pembit, { person: actor.person.id });
  const missed = await Promise.all(came.map((each) => missedBy(pembit, each)));
  return missed.flatMap((what, i) => (what ? [{ ...what, course: came[i]!.course }] : []));
} // prettier-ignore

export type LateComer = Readonly<{
  person: PersonId;
  name: string;
  came: Temporal.PlainDate;
  /** Work that was set before and is still open, unless they were given a date of their own already. */
  work: readonly Readonly<{ entry: EntryId; title: string; due: Moment }>[];
}>;

/** Who came to a course late, for its staff. */
export async function lateComersIn(pembit: Pembit, actor: SignedIn, course: CourseId): Promise<LateComer[]> {
  if (!mayIn(actor, 'extendDue', course)) return [];
  const came = await cameLately(pembit, { course });
  const missed = await Promise.all(came.map((each) => missedBy(pembit, each)));
  return missed.flatMap((what, i) => {
    if (!what) return [];
    const work = what.work.filter(({ extended }) => !extended).map(({ entry, title, start }) => ({ entry, title, due: start }));
    return [{ person: came[i]!.person, name: came[i]!.name, came: what.came, work }];
  });
} // prettier-ignore

/** Gives those who came late so many days more on the work that was set before they came, in one act. */
export function extendForLate(
  pembit: Pembit,
  actor: SignedIn,
  course: CourseId,
  { people, days }: Readonly<{ people: readonly PersonId[]; days: number }>,
): Promise<Outcome<{ work: number; people: number }>> {
  return perform(pembit, actor, 'extendDue', async (change) => {
    if (!mayIn(actor, 'extendDue', course)) return refused('notFound');
    const late = (await lateComersIn(pembit, actor, course)).filter(({ person }) => people.includes(person));
    const given = new Map<EntryId, Extension[]>();
    for (const { person, name, work } of late)
      for (const { entry, due } of work)
        given.set(entry, [...(given.get(entry) ?? []), { person, name, due: laterBy(due, days) }]);
    if (given.size === 0) return refused('badRequest', [{ field: 'people', message: memberTexts.lateNothing }]);
    for (const [id, extensions] of given) {
      const entry = await entryById(change, id);
      if (entry?.kind !== 'assignment') continue;
      const facts = { ...entry, extensions: [...entry.extensions.filter(({ arranged }) => !arranged), ...extensions] };
      const saved = await saveEntry(change, facts, { actor, act: 'extendDue', before: entry });
      if (!saved.ok) return saved;
    }
    change.concerns(...late.map(({ person }) => `person:${person}` as const));
    const [only] = late;
    change.summarise(
      late.length === 1
        ? frameHistoryTexts.extendedLateOne({ name: refTo(only!.person), work: given.size, days })
        : frameHistoryTexts.extendedLate({ people: late.length, work: given.size, days }),
    );
    return done({ work: given.size, people: late.length });
  });
} // prettier-ignore

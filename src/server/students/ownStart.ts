import { Temporal } from 'temporal-polyfill';
import type { CourseId } from '@/core/ids';
import { may } from '@/core/may/may';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { termOfCourse } from '@/core/plan/seenPlan';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { pacingTexts } from '@/core/texts/pacing';
import { dateLabel } from '@/core/time/dateLabels';
import { sharedTicks, startsIn, writeStart } from '@/data/entries/ownStarts';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import { planSeenBy } from '../plan/planSeenBy';
import type { SignedIn } from '../session/session';

const isPaced = (plan: SeenPlan, course: CourseId) =>
  plan.entries.some(
    (entry) =>
      entry.kind === 'assignment' && entry.pacing && entry.audience.some((part) => part.course === course),
  );

/** A course in which work is due by one's own start. */
export type OwnStartIn = Readonly<{
  course: CourseId;
  name: string;
  /** The days among which a start lies, as dates. */
  from: string;
  to: string;
  on?: string;
  shared: boolean;
}>;

/** The courses in which work is due by the start of whoever looks, with what they said. */
export async function ownStartsOf(pembit: Pembit, actor: SignedIn, plan: SeenPlan): Promise<OwnStartIn[]> {
  const taken = plan.courses.filter(
    ({ id, archived }) => !archived && actor.viewer.memberOf.has(id) && isPaced(plan, id),
  );
  const starts = await startsIn(
    pembit,
    taken.map(({ id }) => id),
  );
  return taken.map(({ id, code, title }) => {
    const term = termOfCourse(plan, id)!;
    const start = starts.find(({ course, person }) => course === id && person === actor.person.id);
    return {
      course: id,
      name: `${code} ${title}`,
      from: term.startsOn.toString(),
      to: term.endsOn.toString(),
      ...(start ? { on: start.on.toString() } : {}),
      shared: start?.shared ?? false,
    };
  });
}

/** Says when one begins a course, or that one has not yet. */
export async function beginCourse(
  pembit: Pembit,
  actor: SignedIn,
  course: CourseId,
  { on, shared }: Readonly<{ on?: Temporal.PlainDate; shared: boolean }>,
): Promise<Outcome<{ on?: string }>> {
  const plan = await planSeenBy(pembit, actor.viewer, { notes: false });
  const own = plan.courses.find(({ id }) => id === course);
  const term = own && termOfCourse(plan, course);
  const subject = { parts: [{ course }], owner: actor.person.id };
  if (!own || !term || !may(actor, 'beginCourse', subject).ok || !isPaced(plan, course))
    return refused('notFound');
  if (own.archived) return refused('archived');
  const label = (day: Temporal.PlainDate) => dateLabel(day, 'short', plan.locale);
  const { compare } = Temporal.PlainDate;
  if (on && (compare(on, term.startsOn) < 0 || compare(on, term.endsOn) > 0))
    return refused('badRequest', [
      { field: 'on', message: pacingTexts.outside({ from: label(term.startsOn), to: label(term.endsOn) }) },
    ]);
  return perform(
    pembit,
    actor,
    'beginCourse',
    async (change) => {
      await writeStart(change, actor.person.id, course, on && { on: on.toString(), shared });
      change.summarise(
        on ? pacingTexts.said({ name: own.code, on: label(on) }) : pacingTexts.tookBack({ name: own.code }),
      );
      return done(on ? { on: on.toString() } : {});
    },
    { locks: [`person:${actor.person.id}`] },
  );
}

/** What the staff of a course see of its students' own dates: numbers, and by name those who share it. */
export type StartsForStaff = Readonly<{
  begun: number;
  students: number;
  work: number;
  sharing: readonly Readonly<{ person: string; name: string; on: string; ticked: number }>[];
}>;

/** Nothing where no work of the course is due by own starts. */
export async function startsForStaff(
  pembit: Pembit,
  plan: SeenPlan,
  course: CourseId,
): Promise<StartsForStaff | undefined> {
  const own = plan.courses.find(({ id }) => id === course);
  const work = plan.entries.filter(
    (entry) =>
      entry.kind === 'assignment' &&
      entry.pacing &&
      entry.asStaff &&
      entry.release !== 'draft' &&
      entry.cancelled === undefined &&
      entry.audience.some((part) => part.course === course),
  ).length;
  if (!own || !isPaced(plan, course)) return undefined;
  const [starts, sharing] = await Promise.all([startsIn(pembit, [course]), sharedTicks(pembit, course)]);
  return {
    begun: starts.length,
    students: own.students,
    work,
    sharing,
  };
}

import { momentOfClass } from '@/core/events/momentOfClass';
import type { Temporal } from 'temporal-polyfill';
import { mainMoment } from '@/core/entries/entry';
import { seenBy } from '@/core/entries/seenBy';
import type { Earlier, SeenChange } from '@/core/plan/changesSince';
import { changesSince } from '@/core/plan/changesSince';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { entryTexts } from '@/core/texts/entries';
import type { StoredEvent } from '@/data/events/events';
import { entryOfState, firstEventsSince } from '@/data/events/events';
import { answeredSince } from '@/data/questions/questions';
import { lookedAt, writeLooked } from '@/data/students/students';
import { keptReads } from '../keptRead';
import type { Pembit } from '../pembit';
import { aboutIn, coursesAbout } from '../questions/about';
import type { SignedIn } from '../session/session';
import { viewerKey } from '../plan/planSeenBy';

const kept = keptReads<readonly SeenChange[]>(400);

/** What has changed in a plan since an instant, for whoever sees it. */
export async function changesFor(
  pembit: Pembit,
  { viewer }: Pick<SignedIn, 'viewer'>,
  plan: SeenPlan,
  since: Temporal.Instant,
): Promise<readonly SeenChange[]> {
  const scopes = [
    `person:${viewer.id}` as const,
    ...[...viewer.memberOf.keys()].map((course) => `course:${course}` as const),
  ];
  const events = await firstEventsSince(pembit, scopes, since.epochMilliseconds);
  const earlier = events.flatMap((event) => stateBefore(viewer, plan, event));
  const changes = changesSince(plan, earlier, { since, now: pembit.now() });
  const known = new Set(changes.map(({ key }) => key));
  return [
    ...changes,
    ...(await answersFor(pembit, viewer, plan, since)).filter(({ key }) => !known.has(key)),
  ];
}

/** Where there is an answer since an instant to what somebody asked, or to what was asked for everybody. */
async function answersFor(
  pembit: Pembit,
  { id, memberOf }: SignedIn['viewer'],
  plan: SeenPlan,
  since: Temporal.Instant,
): Promise<SeenChange[]> {
  const asked = { person: id, courses: [...memberOf.keys()], sinceMs: since.epochMilliseconds };
  return (await answeredSince(pembit, asked)).flatMap((key): SeenChange[] => {
    const about = aboutIn(plan, key);
    if (!about || about.asStaff) return [];
    const { title, start: now, ofClass } = about;
    return [
      { key, kind: 'answered', title, now, courses: coursesAbout(about), ...(ofClass ? { ofClass } : {}) },
    ];
  });
}

/** How what an event is about stood before it, in the eyes of its reader; nothing where it is not about what they see. */
function stateBefore(viewer: SignedIn['viewer'], plan: SeenPlan, event: StoredEvent): Earlier[] {
  const { entry, class: of } = event.payload;
  if (entry) {
    const seen = entry.before && seenBy(viewer, entryOfState(entry.before), event.at);
    if (!seen || seen.kind === 'note' || seen.asStaff) return [{ id: event.subject }];
    const { title, cancelled } = seen;
    const courses = seen.audience.map((part) => part.course);
    const was = { start: mainMoment(seen), title, cancelled: cancelled !== undefined, courses };
    return [{ id: event.subject, was }];
  }
  const course = plan.courses.find(({ sections }) => sections.some(({ id }) => id === of?.section));
  if (!of?.before || !course || event.type === 'classPlanMoved') return [];
  const own = viewer.memberOf.get(course.id);
  if (own !== undefined && own !== of.section && course.sections.length > 1) return [];
  const tzid = plan.terms.find(({ id }) => id === course.term)?.tzid ?? 'UTC';
  const start = momentOfClass(of.before, tzid);
  const was = { start, title: entryTexts.kind.class, cancelled: of.before.cancelled !== null, courses: [course.id] };
  return [{ id: event.subject, was, ofClass: true }];
} // prettier-ignore

/** What a student has not seen yet. On the first visit nothing is news: from then on it is kept when they looked. */
export async function unseenChanges(
  pembit: Pembit,
  actor: SignedIn,
  plan: SeenPlan,
): Promise<readonly SeenChange[]> {
  if (actor.viewer.memberOf.size === 0) return [];
  const { id } = actor.person;
  const looked = await lookedAt(pembit, id);
  const nowMs = pembit.now().epochMilliseconds;
  if (!looked) {
    await pembit.queue.write((writer) => writeLooked(writer, id, { lookedAtMs: nowMs }), {
      aside: true,
      locks: [],
    });
    return [];
  }
  const minute = Math.floor(nowMs / 60_000);
  const key = `${viewerKey(actor.viewer)} ${looked.lookedAt.epochMilliseconds} ${minute}`;
  return kept(pembit, key, () => changesFor(pembit, actor, plan, looked.lookedAt));
}

/** Says that all that has changed up to now was seen. */
export const lookNow = (pembit: Pembit, { person }: SignedIn): Promise<void> =>
  pembit.queue.write(
    (writer) => writeLooked(writer, person.id, { lookedAtMs: pembit.now().epochMilliseconds }),
    { aside: true, locks: [] },
  );

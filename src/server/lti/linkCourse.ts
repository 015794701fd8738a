import { randomUUID } from 'node:crypto';
import type { CourseId, SectionId } from '@/core/ids';
import type { Launch } from '@/core/lti/message';
import { mayIn } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { ltiTexts } from '@/core/texts/lti';
import type { Course } from '@/core/plan/plan';
import type { LinkedContext } from '@/data/lti/contexts';
import { contextAt, contextById, contextsOfCourse, insertContext, removeContext } from '@/data/lti/contexts';
import { placingOf } from '@/data/lti/passing';
import { everyPlatform, platformById } from '@/data/lti/platforms';
import { noteInOffice } from '@/data/people/officeLog';
import { loadFrame } from '@/data/plan/loadPlan';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import type { Arriving } from './arrive';
import { placePath } from './arrive';

/** A launch that waits for its own person to go on with it. */
export async function waitingLaunch(pembit: Pembit, actor: SignedIn, id: string): Promise<Arriving | undefined> {
  const own = { id, person: actor.person.id, nowMs: pembit.now().epochMilliseconds };
  const found = await placingOf(pembit, own);
  const platform = found && (await platformById(pembit, found.platform));
  return platform?.accepted ? { platform, launch: JSON.parse(found!.launch) as Launch } : undefined;
} // prettier-ignore

/** Whether somebody may say that a course of a site is this one: whoever may change who teaches it, for its staff comes by it. */
const mayLink = (actor: SignedIn, course: CourseId): boolean => mayIn(actor, 'changeStaff', course);

/** The courses that go on, of which somebody may say that a site's course is one. */
export async function linkableCourses(pembit: Pembit, actor: SignedIn): Promise<Course[]> {
  const { courses } = await loadFrame(pembit, [...actor.viewer.instructs]);
  return courses.filter(({ id, archived }) => !archived && mayLink(actor, id));
}

type Asked = Readonly<{ course: CourseId; section?: SectionId }>;

/** Says which course of ours the one is that a launch came from; answers where the launch wanted to go. */
export async function linkCourse(pembit: Pembit, actor: SignedIn, id: string, { course, section }: Asked): Promise<Outcome<{ to: string; code: string }>> {
  const waiting = await waitingLaunch(pembit, actor, id);
  const asked = waiting?.launch.course;
  if (!waiting || !asked || waiting.launch.person.role !== 'teaches') return refused('launchOver');
  const found = (await linkableCourses(pembit, actor)).find((one) => one.id === course);
  if (!found || (section && !found.sections.some((one) => one.id === section))) return refused('notFound');
  const { platform, launch: { deployment, opens } } = waiting;
  const place = { platform: platform.id, deployment, context: asked.context };
  const nowMs = pembit.now().epochMilliseconds;
  return pembit.queue.write(
    async (writer) => {
      // Two may say so at once: the first holds.
      if (await contextAt(writer, place)) return refused('launchOver');
      // Two lists for the same students would each say that the other's are gone.
      const others = await contextsOfCourse(writer, course);
      if (others.some((other) => !other.section || !section || other.section === section))
        return refused('badRequest', [{ field: 'section', message: ltiTexts.link.taken }]);
      await insertContext(writer, { ...place, id: randomUUID(), title: asked.title, course, section, membersUrl: asked.membersUrl, linkedBy: actor.person.id, nowMs });
      await noteInOffice({ ...writer, nowMs }, { act: 'site', actor: actor.person.id, course });
      return done({ to: opens.kind === 'target' ? opens.path : placePath(id), code: found.code });
    },
    { aside: true },
  );
} // prettier-ignore

/** A link of a course with its site, for whoever may do something about it. */
export async function ownContext(pembit: Pembit, actor: SignedIn, id: string, act: 'changeStaff' | 'importRoster'): Promise<LinkedContext | undefined> {
  const context = await contextById(pembit, id);
  return context && mayIn(actor, act, context.course) ? context : undefined;
} // prettier-ignore

/** Ends a link: nobody comes into the course by it any more, and its roster follows nothing. */
export async function unlinkCourse(pembit: Pembit, actor: SignedIn, id: string): Promise<Outcome<null>> {
  const context = await ownContext(pembit, actor, id, 'changeStaff');
  if (!context) return refused('notFound');
  const nowMs = pembit.now().epochMilliseconds;
  await pembit.queue.write(
    async (writer) => {
      await removeContext(writer, id);
      await noteInOffice({ ...writer, nowMs }, { act: 'siteEnded', actor: actor.person.id, course: context.course });
    },
    { aside: true },
  );
  return done(null);
} // prettier-ignore

export type CourseSite = LinkedContext & Readonly<{ site: string }>;

/** The sites that a course is linked with, for its staff; undefined at a school that has connected none. */
export async function sitesOfCourse(pembit: Pembit, actor: SignedIn, course: CourseId): Promise<CourseSite[] | undefined> {
  if (!mayIn(actor, 'importRoster', course)) return undefined;
  const [contexts, platforms] = await Promise.all([contextsOfCourse(pembit, course), everyPlatform(pembit)]);
  if (platforms.length === 0) return undefined;
  const names = new Map(platforms.map(({ id, name }) => [id, name]));
  return contexts.map((context) => ({ ...context, site: names.get(context.platform) ?? '' }));
} // prettier-ignore

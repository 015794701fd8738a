import { createHash, randomBytes, randomUUID } from 'node:crypto';
import type { CourseId, PersonId } from '@/core/ids';
import type { Launch, SitePerson } from '@/core/lti/message';
import type { Platform } from '@/core/lti/platform';
import type { SiteRole } from '@/core/lti/role';
import { addressInstead } from '@/core/mail/nobodysAddress';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { ltiTexts } from '@/core/texts/lti';
import type { Change } from '@/data/history/change';
import { recordChange } from '@/data/history/change';
import { refTo } from '@/data/history/personRefs';
import { insertSiteAccount, noteSiteRole, siteAccount } from '@/data/lti/accounts';
import type { LinkedContext } from '@/data/lti/contexts';
import { contextAt, noteContext } from '@/data/lti/contexts';
import { arrivalById, insertArrival, insertPlacing, removeArrival } from '@/data/lti/passing';
import { platformById } from '@/data/lti/platforms';
import { leftUnder } from '@/data/people/departures';
import { placeOnRoster } from '@/data/people/enrolment';
import { rosterRow, staffRow } from '@/data/people/memberRows';
import { noteInOffice } from '@/data/people/officeLog';
import type { Person } from '@/data/people/people';
import { personByEmail, personById, personRow } from '@/data/people/people';
import { staffRowsOf } from '@/data/people/staff';
import { courseRowOf } from '@/data/plan/frameStore';
import type { Pembit } from '../pembit';
import { keptPerson } from '../people/keptPeople';
import { openSession } from '../session/session';

const hashOf = (token: string) => createHash('sha256').update(token).digest('base64url');
/** How long somebody may take to say who they are, and to choose what is placed. */
const ARRIVES_MS = 15 * 60_000;
const PLACES_MS = 2 * 3_600_000;

export type Arriving = Readonly<{ platform: Platform; launch: Launch; /** The query by which it was begun. */ again?: string }>; // prettier-ignore

/** Where a launch has led: into somebody's own view, or to the page that asks who they are. */
export type Arrived =
  Readonly<{ kind: 'in'; session: string; to: string }> | Readonly<{ kind: 'asked'; arrival: string }>;

const placeOf = ({ platform, launch: { deployment, course } }: Arriving) =>
  course && { platform: platform.id, deployment, context: course.context };

/** The course of ours that a launch is from, if it is one that goes on. */
export async function linkedCourse(pembit: Pembit, arriving: Arriving): Promise<LinkedContext | undefined> {
  const place = placeOf(arriving);
  const linked = place && (await contextAt(pembit, place));
  const row = linked && (await courseRowOf(pembit, linked.course));
  return row?.archived_at === null ? linked : undefined;
}

/** Lets in whom the site's word opens an account of; whoever is new is asked who they are. */
export async function arrive(pembit: Pembit, arriving: Arriving): Promise<Arrived> {
  const { platform, launch } = arriving;
  const known = await siteAccount(pembit, platform.issuer, launch.person.subject);
  const person = known && (await personById(pembit, known));
  if (person && !person.deactivated) return letIn(pembit, arriving, person.id);
  const token = randomBytes(32).toString('base64url');
  const nowMs = pembit.now().epochMilliseconds;
  const arrival = { id: hashOf(token), platform: platform.id, launch: JSON.stringify({ launch, again: arriving.again }), until: nowMs + ARRIVES_MS }; // prettier-ignore
  await pembit.queue.write((writer) => insertArrival(writer, { ...arrival, nowMs }), { aside: true });
  return { kind: 'asked', arrival: token };
}

/** Who has come and has yet to say who they are, by what their browser keeps. */
export async function arrivalOf(pembit: Pembit, token: string): Promise<Arriving | undefined> {
  const found = await arrivalById(pembit, hashOf(token), pembit.now().epochMilliseconds);
  const platform = found && (await platformById(pembit, found.platform));
  if (!platform?.accepted) return undefined;
  return { platform, ...(JSON.parse(found!.launch) as Pick<Arriving, 'launch' | 'again'>) };
}

/** Opens a session for somebody, in the place that the site says they have in the course. */
async function letIn(pembit: Pembit, arriving: Arriving, person: PersonId): Promise<Arrived> {
  const { platform, launch } = arriving;
  const linked = await linkedCourse(pembit, arriving);
  await pembit.queue.write(
    async (writer) => {
      await noteSiteRole(writer, platform.issuer, launch.person.subject, launch.person.role);
      if (linked && launch.course) await noteContext(writer, linked.id, launch.course);
    },
    { aside: true },
  );
  if (linked && !(await hasPlace(pembit, linked.course, person)))
    await recordArrival(pembit, async (change) => {
      await takePlace(change, { platform, linked, person, role: launch.person.role });
      return done(null);
    });
  const session = await openSession(pembit, person, { platform: platform.id });
  const { opens } = launch;
  const asksCourse = !linked && launch.course !== undefined && launch.person.role === 'teaches' && (await instructsAny(pembit, person)); // prettier-ignore
  if (opens.kind === 'target' && !asksCourse) return { kind: 'in', session, to: opens.path };
  const waiting = await wait(pembit, arriving, person);
  return { kind: 'in', session, to: asksCourse ? `/lti/link/${waiting}` : placePath(waiting) };
}

/** Where something is placed in the page that waits for it. */
export const placePath = (waiting: string): string => `/lti/place/${waiting}`;

const instructsAny = async (pembit: Pembit, person: PersonId): Promise<boolean> =>
  (await keptPerson(pembit, person)).viewer.instructs.size > 0;

/** Keeps a launch for whoever goes on with it: to place something, or to say which course it is from. */
async function wait(pembit: Pembit, { platform, launch }: Arriving, person: PersonId): Promise<string> {
  const nowMs = pembit.now().epochMilliseconds;
  const waiting = { id: randomUUID(), platform: platform.id, person, launch: JSON.stringify(launch), until: nowMs + PLACES_MS }; // prettier-ignore
  await pembit.queue.write((writer) => insertPlacing(writer, { ...waiting, nowMs }), { aside: true });
  return waiting.id;
}

const hasPlace = async (pembit: Pembit, course: CourseId, person: PersonId): Promise<boolean> =>
  (await placeOnRoster(pembit, { course, person })) !== undefined ||
  (await staffRowsOf(pembit, course)).some((row) => row.person_id === person);

type Placing = Readonly<{
  platform: Platform;
  linked: LinkedContext;
  person: PersonId;
  role: SiteRole | undefined;
}>;

const STAFF_ROLE = { teaches: 'co', assists: 'assistant' } as const;

/**
 * Puts somebody where the site says they are: on the roster, or on the staff. Who has a place here keeps it, whatever a site
 * says; nobody comes into an archived course.
 */
async function takePlace(change: Change, { platform, linked, person, role }: Placing): Promise<void> {
  const { course, section } = linked;
  const row = await courseRowOf(change, course);
  const placed = await placeOnRoster(change, { course, person });
  const staff = await staffRowsOf(change, course);
  if (!role || !row || row.archived_at !== null || placed || staff.some((one) => one.person_id === person)) return;
  if (role === 'takes') {
    // Whoever was taken off does not come back by a launch: a list brings them back, or somebody who teaches.
    if (await leftUnder(change, { course, person, generation: 0 })) return;
    await change.insert('roster', [rosterRow({ course, section, person, joinedAtMs: change.nowMs })]);
  } else {
    const sections = role === 'assists' && section ? [section] : [];
    await change.insert('staff', [staffRow({ course, person, role: STAFF_ROLE[role], sections })]);
    await noteInOffice(change, { act: 'staff', actor: null, person, course, detail: STAFF_ROLE[role] });
  }
  change.concerns(`course:${course}`, `person:${person}`);
  change.summarise(ltiTexts.arrived({ who: refTo(person), site: platform.name }));
} // prettier-ignore

/** An act of nobody who is signed in: somebody comes from a site. */
async function recordArrival<T>(pembit: Pembit, work: (change: Change) => Promise<Outcome<T>>): Promise<Outcome<T>> {
  const nowMs = pembit.now().epochMilliseconds;
  const { result } = await recordChange(pembit.queue, { act: 'arrivedFromSite', summary: '', actor: null, nowMs }, work);
  return result;
} // prettier-ignore

/** Somebody whom a site tells us of, under the name that it gives, or a number. */
export function rowOfSitePerson(
  { name, email, role }: Pick<SitePerson, 'name' | 'email' | 'role'>,
  { id, course, nowMs }: Readonly<{ id: PersonId; course: CourseId; nowMs: number }>,
): ReturnType<typeof personRow> {
  const code = id.slice(0, 4).toUpperCase();
  const called = name ?? (role === 'takes' ? ltiTexts.nameless({ code }) : ltiTexts.namelessStaff({ code }));
  return personRow({ id, name: called, email: email ?? addressInstead(id), madeBy: course }, nowMs);
}

/** From now on the site's word opens the account of whoever has just shown that it is theirs. */
export async function joinArrival(pembit: Pembit, token: string, person: Person): Promise<Outcome<{ session: string; to: string }>> {
  const arriving = await arrivalOf(pembit, token);
  if (!arriving) return refused('launchOver');
  const { platform, launch } = arriving;
  const { subject, role } = launch.person;
  const nowMs = pembit.now().epochMilliseconds;
  const free = await pembit.queue.write(
    async (writer) => {
      await removeArrival(writer, hashOf(token));
      const owner = await siteAccount(writer, platform.issuer, subject);
      if (!owner) await insertSiteAccount(writer, { person: person.id, issuer: platform.issuer, subject, role, nowMs });
      return owner === undefined || owner === person.id;
    },
    { aside: true },
  );
  return free ? entered(await letIn(pembit, arriving, person.id)) : refused('launchOver');
} // prettier-ignore

const entered = (arrived: Arrived): Outcome<{ session: string; to: string }> =>
  arrived.kind === 'in' ? done({ session: arrived.session, to: arrived.to }) : refused('launchOver');

/** Makes somebody who has no account: only in a course that is linked, and who has a part in it. */
export async function enterAnew(pembit: Pembit, token: string): Promise<Outcome<{ session: string; to: string }>> {
  const arriving = await arrivalOf(pembit, token);
  const linked = arriving && (await linkedCourse(pembit, arriving));
  if (!arriving || !linked || !arriving.launch.person.role) return refused('launchOver');
  const { platform, launch } = arriving;
  const { subject, role, email } = launch.person;
  // Another frame of the same page may have been quicker.
  const known = await siteAccount(pembit, platform.issuer, subject);
  if (known) return entered(await letIn(pembit, arriving, known));
  const id = randomUUID() as PersonId;
  const made = await recordArrival(pembit, async (change) => {
    if (!(await arrivalById(change, hashOf(token), change.nowMs))) return refused('launchOver');
    if (await siteAccount(change, platform.issuer, subject)) return refused('launchOver');
    // An address that somebody has here is not taken from them: they sign in with it.
    const taken = email !== undefined && (await personByEmail(change, email)) !== undefined;
    const said = taken ? { ...launch.person, email: undefined } : launch.person;
    await change.insert('people', [rowOfSitePerson(said, { id, course: linked.course, nowMs: change.nowMs })]);
    await insertSiteAccount(change, { person: id, issuer: platform.issuer, subject, role, nowMs: change.nowMs });
    await takePlace(change, { platform, linked, person: id, role });
    await removeArrival(change, hashOf(token));
    return done(null);
  });
  return made.ok ? entered(await letIn(pembit, arriving, id)) : made;
} // prettier-ignore

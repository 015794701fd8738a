import { randomUUID } from 'node:crypto';
import type { PersonId } from '@/core/ids';
import type { MemberChanges, SiteMember } from '@/core/lti/members';
import { MEMBERS_SCOPE, MEMBERS_TYPE, compareMembers, membersOfPage, nextPage } from '@/core/lti/members';
import type { Platform } from '@/core/lti/platform';
import { mayIn } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { absencesOf, isHeldBack } from '@/core/roster/keeping';
import { ltiTexts } from '@/core/texts/lti';
import type { Reader } from '@/data/reader';
import type { Change } from '@/data/history/change';
import { insertSiteAccount, siteAccount, studentsOnSite } from '@/data/lti/accounts';
import type { LinkedContext } from '@/data/lti/contexts';
import {
  absencesOnSite,
  followingContexts,
  noteMembersRead,
  putAbsencesOnSite,
  writeFollows,
} from '@/data/lti/contexts';
import { platformById } from '@/data/lti/platforms';
import { rosterRow } from '@/data/people/memberRows';
import { personByEmail } from '@/data/people/people';
import { courseRowOf } from '@/data/plan/frameStore';
import { loadFrame } from '@/data/plan/loadPlan';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import { officeActor } from '../people/officeActor';
import { moveToSection, takeOffRoster } from '../people/membership';
import { enrolStudents } from '../people/roster';
import type { SignedIn } from '../session/session';
import { rowOfSitePerson } from './arrive';
import { SiteSilent, askSite, tokenFor } from './askSite';
import { ownContext } from './linkCourse';

/** A course of more pages than these is none. */
const MOST_PAGES = 200;

/** What a site's list would change: how many, and whom by name, for whoever is asked to agree. */
export type MembersPreview = Readonly<{ added: readonly string[]; present: number; gone: readonly string[] }>;

/** What a reading of a site's list did: how many, nobody by name. */
export type MembersReport = Readonly<{
  added: number;
  off: number;
  absent: number;
  /** So many would be gone that somebody has to look first; nothing was changed. */
  held?: Readonly<{ known: number; gone: number }>;
  silent?: true;
}>;

/** Everybody whom a course of a site lists, page by page. @throws SiteSilent */
async function listedMembers(pembit: Pembit, platform: Platform, { membersUrl }: LinkedContext): Promise<SiteMember[]> {
  if (!membersUrl) throw new SiteSilent('no list');
  const headers = { authorization: `Bearer ${await tokenFor(pembit, platform, MEMBERS_SCOPE)}`, accept: MEMBERS_TYPE };
  const members: SiteMember[] = [];
  let url: string | undefined = membersUrl;
  for (let page = 0; url !== undefined; page++) {
    if (page === MOST_PAGES) throw new SiteSilent('no end');
    const { body, link }: Awaited<ReturnType<typeof askSite>> = await askSite(pembit, url, { headers });
    const read = membersOfPage(body);
    if (!read) throw new SiteSilent(`${new URL(url).host}: no members`);
    members.push(...read);
    const next = nextPage(link);
    // The token is for this service alone.
    if (next !== undefined && new URL(next, url).origin !== new URL(membersUrl).origin) throw new SiteSilent('elsewhere');
    url = next === undefined ? undefined : new URL(next, url).href;
  }
  return members;
} // prettier-ignore

type Compared = MemberChanges<PersonId> & Readonly<{ names: ReadonlyMap<PersonId, string>; known: number }>;

async function compared(reader: Reader, platform: Platform, context: LinkedContext, listed: readonly SiteMember[]): Promise<Compared> {
  const rows = await studentsOnSite(reader, context.course, platform.issuer);
  const roster = rows.map(({ person, email, subject, section }) => ({ person, email, subject: subject ?? undefined, section: section ?? undefined }));
  const { section } = context;
  return {
    ...compareMembers(listed, roster, section),
    names: new Map(rows.map(({ person, name }) => [person, name])),
    known: roster.filter((one) => one.subject !== undefined && (!section || one.section === section)).length,
  };
} // prettier-ignore

type Following = Readonly<{ context: LinkedContext; platform: Platform }>;

/** A site whose list may be read for a course that goes on. */
async function following(pembit: Pembit, context: LinkedContext | undefined): Promise<Following | undefined> {
  const platform = context && (await platformById(pembit, context.platform));
  const row = context && (await courseRowOf(pembit, context.course));
  return platform?.accepted && row?.archived_at === null ? { context: context!, platform } : undefined;
}

/** The list, or a refusal where the site does not give it; why not stands in the log. */
async function listOf(pembit: Pembit, { context, platform }: Following): Promise<Outcome<SiteMember[]>> {
  try {
    return done(await listedMembers(pembit, platform, context));
  } catch (error) {
    pembit.log.warn({ err: error, site: platform.issuer }, 'A course site did not give its list of members');
    return refused('siteSilent');
  }
}

/** What a site's list would change on the roster; nothing is saved. */
export async function previewMembers(pembit: Pembit, actor: SignedIn, id: string): Promise<Outcome<MembersPreview>> {
  const found = await following(pembit, await ownContext(pembit, actor, id, 'importRoster'));
  if (!found) return refused('notFound');
  const listed = await listOf(pembit, found);
  if (!listed.ok) return listed;
  const { added, present, gone, names } = await compared(pembit, found.platform, found.context, listed.value);
  const called = ({ name, email }: SiteMember) => (found.platform.asksNames ? (name ?? email) : undefined) ?? ltiTexts.members.nobody;
  return done({ added: added.map(called), present: present.length, gone: gone.map((person) => names.get(person) ?? '') });
} // prettier-ignore

/** From now on the roster follows a site's list, or no more. */
export async function followMembers(pembit: Pembit, actor: SignedIn, id: string, follows: boolean): Promise<Outcome<MembersReport | null>> {
  const context = await ownContext(pembit, actor, id, 'importRoster');
  if (!context) return refused('notFound');
  const read = follows ? await readMembers(pembit, actor, id, { even: false }) : done(null);
  if (!read.ok) return read;
  await pembit.queue.write((writer) => writeFollows(writer, id, follows), { aside: true });
  return read;
} // prettier-ignore

/** Takes over what a site's list says: who is new, and, once they were missing for 48 hours, who is gone. */
export async function readMembers(
  pembit: Pembit,
  actor: SignedIn,
  id: string,
  { even }: Readonly<{ even: boolean }>,
): Promise<Outcome<MembersReport>> {
  const found = await following(pembit, await ownContext(pembit, actor, id, 'importRoster'));
  if (!found) return refused('notFound');
  const listed = await listOf(pembit, found);
  const report = listed.ok ? await takeOver(pembit, actor, found, { listed: listed.value, even }) : { added: 0, off: 0, absent: 0, silent: true as const }; // prettier-ignore
  const atMs = pembit.now().epochMilliseconds;
  await pembit.queue.write((writer) => noteMembersRead(writer, id, { atMs, report: JSON.stringify(report) }), { aside: true }); // prettier-ignore
  return listed.ok ? done(report) : listed;
}

async function takeOver(
  pembit: Pembit,
  actor: SignedIn,
  { context, platform }: Following,
  { listed, even }: Readonly<{ listed: readonly SiteMember[]; even: boolean }>,
): Promise<MembersReport> {
  const first = await compared(pembit, platform, context, listed);
  if (!even && isHeldBack({ known: first.known, gone: first.gone.length }))
    return { added: 0, off: 0, absent: 0, held: { known: first.known, gone: first.gone.length } };
  const nowMs = pembit.now().epochMilliseconds;
  const { since, off } = absencesOf(await absencesOnSite(pembit, context.id), first.gone, nowMs);
  if (first.added.length + first.moved.length + off.length > 0) {
    const taken = await perform(pembit, actor, 'importRoster', async (change) => {
      if (!mayIn(actor, 'importRoster', context.course)) return refused('notFound');
      // Compared anew where it is written: somebody may have come meanwhile.
      const { added, moved } = await compared(change, platform, context, listed);
      await enrolMembers(pembit, change, actor, { context, platform, added });
      if (context.section)
        await moveToSection(change, context.course, { people: moved, section: context.section });
      await takeOffRoster(change, context.course, off);
      change.concerns(`course:${context.course}`);
      change.summarise(ltiTexts.followed({ site: platform.name, added: added.length, off: off.length }));
      return done(null);
    });
    if (!taken.ok) return { added: 0, off: 0, absent: since.size };
  }
  await pembit.queue.write((writer) => putAbsencesOnSite(writer, context.id, since), { aside: true });
  return { added: first.added.length, off: off.length, absent: since.size };
}

/**
 * Puts members on the roster. Whoever is known here by their address is enrolled as any list does it, and shows once by their own
 * sign-in that the site means them; whoever is new is known by the site alone, and gets no letter.
 */
async function enrolMembers(
  pembit: Pembit,
  change: Change,
  actor: SignedIn,
  { context, platform, added }: Following & Readonly<{ added: readonly SiteMember[] }>,
): Promise<void> {
  const { course: id, section } = context;
  const [course] = (await loadFrame(change, [id])).courses;
  if (!course) return;
  const byAddress: { name: string; email: string; section: typeof section | null }[] = [];
  for (const member of added) {
    const said = platform.asksNames ? member : { subject: member.subject, role: member.role };
    if (said.email !== undefined && (await personByEmail(change, said.email))) {
      byAddress.push({ name: said.name ?? said.email, email: said.email, section: section ?? null });
      continue;
    }
    // Somebody who came from another course of the same site is the same person here.
    const known = await siteAccount(change, platform.issuer, member.subject);
    const person = known ?? (randomUUID() as PersonId);
    if (!known) {
      await change.insert('people', [rowOfSitePerson(said, { id: person, course: id, nowMs: change.nowMs })]);
      await insertSiteAccount(change, { person, issuer: platform.issuer, subject: member.subject, role: member.role, nowMs: change.nowMs }); // prettier-ignore
    }
    await change.insert('roster', [rosterRow({ course: id, section, person, joinedAtMs: change.nowMs })]);
    change.concerns(`person:${person}`);
  }
  await enrolStudents(pembit, change, actor, {
    course,
    students: byAddress.map((one) => ({ ...one, section: one.section ?? null })),
  });
}

/** Each night, for every course whose roster follows its site. */
export async function followSites(pembit: Pembit): Promise<void> {
  const office = await officeActor(pembit);
  if (!office) return;
  for (const { id } of await followingContexts(pembit)) {
    if (pembit.stopping.aborted) return;
    await readMembers(pembit, office, id, { even: false });
  }
}

import { z } from 'zod';
import type { SiteRole } from './role';
import { siteRoleOf } from './role';
import { nameOf } from './siteName';

/** The scope and the media type of Names and Role Provisioning Services 2.0 (1EdTech; from memory, UNVERIFIED). */
export const MEMBERS_SCOPE = 'https://purl.imsglobal.org/spec/lti-nrps/scope/contextmembership.readonly';
export const MEMBERS_TYPE = 'application/vnd.ims.lti-nrps.v2.membershipcontainer+json';

/** Somebody whom a course of a site lists. */
export type SiteMember = Readonly<{ subject: string; role?: SiteRole; name?: string; email?: string }>;

const word = z.string().max(255).optional().catch(undefined);
const member = z.looseObject({
  user_id: z.string().min(1).max(255),
  status: word,
  roles: z.array(z.string().max(400)).max(200).default([]),
  name: word,
  given_name: word,
  family_name: word,
  email: z.email().max(254).optional().catch(undefined),
});
const page = z.looseObject({ members: z.array(z.unknown()).max(10_000) });

/** A page of a site's members; undefined for what is none. Who is no longer active is not listed. */
export function membersOfPage(body: unknown): readonly SiteMember[] | undefined {
  const read = page.safeParse(body);
  if (!read.success) return undefined;
  return read.data.members.flatMap((one) => {
    const said = member.safeParse(one);
    if (!said.success || (said.data.status !== undefined && said.data.status !== 'Active')) return [];
    const { user_id: subject, roles, name, given_name: given, family_name: family, email } = said.data;
    const role = siteRoleOf(roles);
    const called = nameOf({ name, given, family });
    return [
      {
        subject,
        ...(role ? { role } : {}),
        ...(called ? { name: called } : {}),
        ...(email ? { email: email.toLowerCase() } : {}),
      },
    ];
  });
}

/** Where the next page is: the link of relation `next` (RFC 8288); undefined on the last. */
export function nextPage(link: string | undefined): string | undefined {
  for (const part of (link ?? '').split(/,(?=\s*<)/)) {
    const found = /^\s*<([^>]*)>(.*)$/.exec(part);
    if (found && /;\s*rel\s*=\s*"?(?:[^";]*\s)?next(?:\s[^";]*)?"?\s*(;|$)/i.test(found[2]!)) return found[1];
  }
  return undefined;
}

/** Somebody on the roster here, and whom the site knows them as, if it is they whom it told us of. */
export type RosterMember<P extends string> = Readonly<{ person: P; email: string; subject?: string; section?: string }>; // prettier-ignore

export type MemberChanges<P extends string> = Readonly<{
  /** On the site's list and not on the roster. */
  added: readonly SiteMember[];
  /** On both. */
  present: readonly P[];
  /** Of them, those who are in another section than the one whose list this is. */
  moved: readonly P[];
  /** Came from the site, is in this section, and is on its list no more. */
  gone: readonly P[];
}>;

/**
 * What a site's list would change on a roster: students alone, by what the site calls them, else by their address. `section`: whose
 * list it is, where a site has a course for each.
 */
export function compareMembers<P extends string>(
  listed: readonly SiteMember[],
  roster: readonly RosterMember<P>[],
  section?: string,
): MemberChanges<P> {
  const students = [
    ...new Map(listed.filter(({ role }) => role === 'takes').map((one) => [one.subject, one])).values(),
  ];
  const bySubject = new Map(roster.flatMap((one) => (one.subject ? [[one.subject, one.person] as const] : [])));
  const byEmail = new Map(roster.map(({ email, person }) => [email.toLowerCase(), person]));
  const added: SiteMember[] = [];
  const present = new Set<P>();
  for (const student of students) {
    const known = bySubject.get(student.subject) ?? (student.email ? byEmail.get(student.email) : undefined);
    if (known) present.add(known);
    else added.push(student);
  }
  const isElsewhere = (member: RosterMember<P>) => section !== undefined && member.section !== section;
  const moved = roster.filter((member) => present.has(member.person) && isElsewhere(member));
  const gone = roster.filter((member) => member.subject && !present.has(member.person) && !isElsewhere(member));
  const personOf = ({ person }: RosterMember<P>) => person;
  return { added, present: [...present], moved: moved.map(personOf), gone: gone.map(personOf) };
} // prettier-ignore

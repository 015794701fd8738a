import type { OneRosterClass, OneRosterStudent } from './readOneRoster';

/** Somebody on a roster, as it stands. */
export type KnownMember = Readonly<{
  sourcedId?: string;
  name: string;
  email: string;
  section?: string;
  /** Whether this list may correct name and address; what it says of others goes to the office as a proposal. */
  correctable: boolean;
}>;

export type RosterChange = Readonly<{
  state: 'new' | 'changed' | 'same';
  student: OneRosterStudent;
  section: string;
  member?: KnownMember;
  /** The list calls them otherwise, and may not say so: the office decides. */
  proposes: boolean;
}>;

const plain = (text: string) => text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '');

/**
 * The section that each class is most likely meant to be, by the class's `sourcedId`: a class names the course's code, and
 * the section where there are several. What names neither is left out until somebody says.
 */
export function likelySections(
  classes: readonly OneRosterClass[],
  course: Readonly<{ code: string; sections: readonly Readonly<{ id: string; name: string }>[] }>,
): Readonly<Record<string, string>> {
  const ofCourse = classes.filter((c) => plain(`${c.code} ${c.title}`).includes(plain(course.code)));
  return Object.fromEntries(
    ofCourse.flatMap((c) => {
      const rest = plain(`${c.code} ${c.title}`).replaceAll(plain(course.code), '');
      const section =
        course.sections.length === 1
          ? course.sections[0]
          : course.sections.find(({ name }) => rest.startsWith(plain(name)) || rest.endsWith(plain(name)));
      return section ? [[c.sourcedId, section.id]] : [];
    }),
  );
}

/**
 * What a list changes on a roster. People are matched by `sourcedId`, else by their address. An `official` list is the school's
 * own: it says what somebody's `sourcedId` is. `left` are those who came
 * from such a list before and are not on this one; they are named, and stay until somebody takes them off.
 */
export function compareRoster(
  listed: readonly Readonly<{ student: OneRosterStudent; section: string }>[],
  members: readonly KnownMember[],
  { official = false }: Readonly<{ official?: boolean }> = {},
): { lines: RosterChange[]; left: KnownMember[] } {
  const bySourcedId = new Map(members.flatMap((m) => (m.sourcedId ? [[m.sourcedId, m] as const] : [])));
  const byEmail = new Map(members.map((m) => [m.email.toLowerCase(), m]));
  const found = new Set<KnownMember>();
  const lines = listed.map(({ student, section }): RosterChange => {
    const member = bySourcedId.get(student.sourcedId) ?? byEmail.get(student.email);
    if (!member) return { state: 'new', student, section, proposes: false };
    found.add(member);
    const called = member.name !== student.name || member.email.toLowerCase() !== student.email;
    const differs =
      member.section !== section ||
      (official && member.sourcedId === undefined) ||
      (member.correctable && called);
    const proposes = called && !member.correctable;
    return { state: differs ? 'changed' : 'same', student, section, member, proposes };
  });
  return { lines, left: members.filter((m) => m.sourcedId !== undefined && !found.has(m)) };
}

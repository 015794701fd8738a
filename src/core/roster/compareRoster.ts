import type { OneRosterClass, OneRosterStudent } from './readOneRoster';

/** Somebody on a roster, as it stands. */
export type KnownMember = Readonly<{
  sourcedId?: string;
  name: string;
  email: string;
  section?: string;
  /** Has never signed in: what the school's list says of them counts. Afterwards name and address are their own. */
  waiting: boolean;
}>;

export type RosterChange = Readonly<{
  state: 'new' | 'changed' | 'same';
  student: OneRosterStudent;
  section: string;
  member?: KnownMember;
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
 * What a list changes on a roster. People are matched by `sourcedId`, else by their address. `left` are those who came
 * from such a list before and are not on this one; they are named, and stay until somebody takes them off.
 */
export function compareRoster(
  listed: readonly Readonly<{ student: OneRosterStudent; section: string }>[],
  members: readonly KnownMember[],
): { lines: RosterChange[]; left: KnownMember[] } {
  const bySourcedId = new Map(members.flatMap((m) => (m.sourcedId ? [[m.sourcedId, m] as const] : [])));
  const byEmail = new Map(members.map((m) => [m.email.toLowerCase(), m]));
  const found = new Set<KnownMember>();
  const lines = listed.map(({ student, section }): RosterChange => {
    const member = bySourcedId.get(student.sourcedId) ?? byEmail.get(student.email);
    if (!member) return { state: 'new', student, section };
    found.add(member);
    const differs =
      member.section !== section ||
      member.sourcedId === undefined ||
      (member.waiting && (member.name !== student.name || member.email !== student.email));
    return { state: differs ? 'changed' : 'same', student, section, member };
  });
  return { lines, left: members.filter((m) => m.sourcedId !== undefined && !found.has(m)) };
}

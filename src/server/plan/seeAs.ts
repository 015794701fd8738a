import type { PersonId, TermId } from '@/core/ids';
import type { Viewer } from '@/core/entries/viewer';
import { seeAsTexts } from '@/core/texts/seeAs';
import { sectionsOfCourses, studentsOfCourses } from '@/data/people/enrolment';
import { calendarsOf } from '@/data/outside/calendars';
import { viewerOf } from '@/data/people/people';
import { loadFrame } from '@/data/plan/loadPlan';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

/** Somebody as whom staff may look at their own courses: a student, any student of a section, the public. */
export type SeeAs = Readonly<{ key: string; label: string; viewer?: Viewer }>;

const sectionsOf = (pembit: Pembit, actor: SignedIn, terms?: ReadonlySet<TermId>) =>
  sectionsOfCourses(pembit, { courses: [...actor.viewer.staffOf], ...(terms ? { terms } : {}) });

/** As whom the actor may look, in the given terms or in all: nobody for students. */
export async function seeAsChoices(
  pembit: Pembit,
  actor: SignedIn,
  terms?: ReadonlySet<TermId>,
): Promise<readonly SeeAs[]> {
  if (actor.viewer.staffOf.size === 0) return [];
  const [sections, students] = await Promise.all([
    sectionsOf(pembit, actor, terms),
    studentsOfCourses(pembit, { courses: [...actor.viewer.staffOf], ...(terms ? { terms } : {}) }),
  ]);
  return [
    { key: 'public', label: seeAsTexts.public },
    ...sections.map((s) => ({
      key: `section:${s.id}`,
      label: seeAsTexts.section({ tag: s.tag, name: s.name }),
    })),
    ...students.map((s) => ({
      key: `person:${s.id}`,
      label: seeAsTexts.person({ name: s.name, tags: s.tag }),
    })),
  ];
}

/**
 * The viewer behind a choice, narrowed to the courses that the actor teaches: what a student does elsewhere is none of
 * their business. The same `seenPlan` serves it as serves that student.
 */
export async function seeAsViewer(
  pembit: Pembit,
  actor: SignedIn,
  key: string | undefined,
): Promise<(SeeAs & { viewer: Viewer }) | undefined> {
  if (!key) return undefined;
  const choice = (await seeAsChoices(pembit, actor)).find((c) => c.key === key);
  if (!choice) return undefined;
  const own = actor.viewer.staffOf;
  const [kind, id = ''] = key.split(':');
  if (kind === 'public') {
    const { terms } = await loadFrame(pembit, [...own]);
    const beside = await calendarsOf(pembit, { terms: terms.map((term) => term.id), courses: [...own] });
    const calendars = new Set(beside.map((calendar) => calendar.id));
    return {
      ...choice,
      viewer: { kind: 'public', courses: own, sections: new Set(), calendars, meetingLinks: false },
    };
  }
  if (kind === 'section') {
    const section = (await sectionsOf(pembit, actor)).find((s) => s.id === id);
    if (!section) return undefined;
    return {
      ...choice,
      viewer: {
        kind: 'person',
        id: '00000000-0000-4000-8000-000000000000' as PersonId,
        staffOf: new Set(),
        instructs: new Set(),
        helps: new Map(),
        memberOf: new Map([[section.course, section.id]]),
        groups: new Set(),
      },
    };
  }
  const student = await viewerOf(pembit, id as PersonId, pembit.now());
  return {
    ...choice,
    viewer: {
      ...student,
      staffOf: new Set(),
      instructs: new Set(),
      helps: new Map(),
      memberOf: new Map([...student.memberOf].filter(([course]) => own.has(course))),
    },
  };
}

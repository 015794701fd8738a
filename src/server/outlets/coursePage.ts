import type { Viewer } from '@/core/entries/viewer';
import type { SectionId } from '@/core/ids';
import type { PublishedOutlet } from '@/core/outlets/outlet';
import type { Plan } from '@/core/plan/plan';
import { contactsOf } from '@/data/people/staff';
import { materialsSeenBy } from '../materials/materialsSeenBy';
import type { Pembit } from '../pembit';
import type { CoursePage } from './embed/embedContext';
import { NO_COURSE_PAGE } from './embed/embedContext';

/** What stands on a course's own page beside its plan, for the readers of an outlet. */
export async function coursePage(
  pembit: Pembit,
  { look, courses, detail }: Pick<PublishedOutlet, 'look' | 'courses' | 'detail'>,
  viewer: Viewer,
): Promise<CoursePage> {
  if (look.view !== 'course') return NO_COURSE_PAGE;
  const [contacts, materials] = await Promise.all([
    contactsOf(pembit, courses),
    detail === 'full' ? materialsSeenBy(pembit, viewer) : [],
  ]);
  return { contacts, materials };
}

/** The sections of an outlet as its readers tell them apart; none where it holds no names of them. */
export const sectionChoices = (
  { sections, places }: Pick<PublishedOutlet, 'sections' | 'places'>,
  { courses }: Pick<Plan, 'courses'>,
): { id: SectionId; label: string }[] =>
  places
    ? courses
        .filter((course) => course.sections.length > 1)
        .flatMap(({ tag, sections: own }) =>
          own
            .filter(({ id }) => sections.includes(id))
            .map(({ id, name }) => ({ id, label: `${tag} ${name}` })),
        )
    : [];

/** A reader of some of an outlet's sections; of all, where none of them was asked for. */
export function ofSections(viewer: Viewer, asked: ReadonlySet<string>): Viewer {
  if (viewer.kind === 'person') return viewer;
  const own = [...viewer.sections].filter((id) => asked.has(id));
  return own.length > 0 ? { ...viewer, sections: new Set(own) } : viewer;
}

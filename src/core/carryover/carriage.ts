import type { CourseAudience, Link } from '../entries/entry';
import { isEveryone } from '../entries/entry';
import type { MaterialId, SectionId } from '../ids';
import type { Carrying, CoursePlan } from './carry';
import type { Correction } from './datesInText';
import { datesInText } from './datesInText';
import type { DayMap } from './dayMap';
import { dayMap } from './dayMap';
import { sectionPairs } from './sectionPairs';

/** The way from one course to the other, made once for everything that is carried. */
export type Carriage = Readonly<{
  /** Which old section each new one is like. */
  sectionLike: ReadonlyMap<SectionId, SectionId>;
  /** Where days fall, by the classes of a new section; without one, of the first. */
  mapOf: (section?: SectionId) => DayMap;
  /** Where the days of what repeats, or goes by the hours of a week, fall: weekdays stay. */
  byWeeks: DayMap;
  /** Who it is for in the new course; undefined where it was for groups or named students alone. */
  audience: (parts: readonly CourseAudience[]) => readonly CourseAudience[] | undefined;
  link: (link: Link) => Link;
  correctionsIn: (text: string) => readonly Correction[];
}>;

export function carriageOf(
  before: CoursePlan,
  after: CoursePlan,
  { mapping }: Pick<Carrying, 'mapping'>,
  materialOf: ReadonlyMap<MaterialId, MaterialId>,
): Carriage {
  const sectionLike = sectionPairs(before.course.sections, after.course.sections);
  const maps = new Map<SectionId | undefined, DayMap>();
  const daysOf = ({ course }: CoursePlan, id: SectionId | undefined) =>
    (course.sections.find((s) => s.id === id) ?? course.sections[0])?.meetings.map((m) => m.date) ?? [];
  const mapOf = (section?: SectionId): DayMap => {
    const known = maps.get(section);
    if (known) return known;
    const from = { term: before.term, classDays: daysOf(before, section && sectionLike.get(section)) };
    const map = dayMap(mapping, from, { term: after.term, classDays: daysOf(after, section) });
    maps.set(section, map);
    return map;
  };
  const calendar = ({ term }: CoursePlan) => ({ term, classDays: [] });
  return {
    sectionLike,
    mapOf,
    byWeeks: dayMap('weeks', calendar(before), calendar(after)),
    audience: (parts) => {
      const part = parts.find(({ course }) => course === before.course.id);
      if (!part) return undefined;
      if (isEveryone(part)) return [{ course: after.course.id }];
      const sections = [...sectionLike].flatMap(([own, like]) =>
        part.sections?.includes(like) ? [own] : [],
      );
      return sections.length > 0 ? [{ course: after.course.id, sections }] : undefined;
    },
    link: (link) => {
      if (!link.material) return link;
      const { material, ...address } = link;
      const own = materialOf.get(material);
      return own ? { ...address, material: own } : address;
    },
    correctionsIn: (text) => datesInText(text, before.term, mapOf()),
  };
}

import { DATE_FIELDS } from '../entries/classDates';
import type { AssignmentEntry, ClassRef } from '../entries/entry';
import type { SectionId } from '../ids';
import type { Strand } from '../time/classNumber';
import { numberOf } from '../time/classNumber';
import type { Course } from './plan';
import type { SlideMove } from './slide';

/** Where a class number of a section leads after a slide: to the number on which the plan that stood there now stands. */
type Numbers = ReadonlyMap<SectionId, ReadonlyMap<number, number>>;

/** Of one strand: labs slide among labs. */
function numbersOf(moves: readonly SlideMove[], strand: Strand | undefined): Numbers {
  const numbers = new Map<SectionId, Map<number, number>>();
  for (const { section, from, to } of moves) {
    if (!from || !to || from.strand !== strand) continue;
    const own = numbers.get(section.id) ?? new Map<number, number>();
    numbers.set(section.id, own.set(from.ordinal, to.ordinal));
  }
  return numbers;
}

function followed(ref: ClassRef, course: Course, numbers: Numbers): ClassRef {
  const before = (id: SectionId) => ref.sections?.[id] ?? ref.ordinal;
  const now = course.sections.map(({ id }) => [id, numbers.get(id)?.get(before(id)) ?? before(id)] as const);
  const [first] = now;
  if (!first || now.every(([id, ordinal]) => ordinal === before(id))) return ref;
  // It goes by the first section's number; other sections are named where they differ.
  const [, ordinal] = first;
  const others = now.filter(([, other]) => other !== ordinal);
  const sections = others.length > 0 ? { sections: Object.fromEntries(others) } : {};
  return { ...numberOf({ ordinal, strand: ref.strand }), edge: ref.edge, ...sections };
}

/**
 * Work whose dates follow classes of the course, following the plans that slid: what was due in class 12 is due where the
 * plan of class 12 now stands. Undefined where nothing of it follows what moved.
 */
export function followSlide(
  entry: AssignmentEntry,
  course: Course,
  moves: readonly SlideMove[],
): AssignmentEntry | undefined {
  const { atClass } = entry;
  if (!atClass || !entry.audience.some((part) => part.course === course.id)) return undefined;
  const next = DATE_FIELDS.flatMap((field) => {
    const ref = atClass[field];
    return ref ? [[field, followed(ref, course, numbersOf(moves, ref.strand))] as const] : [];
  });
  const same = next.every(([field, ref]) => ref === atClass[field]);
  return same ? undefined : { ...entry, atClass: Object.fromEntries(next) };
}

import type { ClassNumber } from '@/core/time/classNumber';
import { sameNumber } from '@/core/time/classNumber';
import type { DeskData } from './planItem';

type Asked = Readonly<{ courses: readonly string[]; number: ClassNumber; edge: 'start' | 'end' }>;

/** When a class of some courses begins or ends, in words, section by section where that differs: `A: week 6, Tue 13 Oct, 10:00`. */
export function classWords(
  { classes, days }: Pick<DeskData, 'classes' | 'days'>,
  { courses, number, edge }: Asked,
): string | undefined {
  const found = classes
    .filter((c) => courses.includes(c.course) && sameNumber(c.number, number))
    .map((c) => ({ name: c.name, when: `${days[c.date] ?? c.date}, ${c[edge]}` }));
  const [first] = found;
  if (!first) return undefined;
  if (found.every(({ when }) => when === first.when)) return first.when;
  return found.map(({ name, when }) => `${name}: ${when}`).join(' · ');
}

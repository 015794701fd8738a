import { colorsNamed, differenceCiede2000 } from 'culori';
import type { CourseColor } from '../plan/plan';
import { COURSE_PAIRS } from './palette';

/** RFC 7986 section 5.9 takes the names of CSS3 and nothing else; this one came later. */
const NAMES = Object.keys(colorsNamed).filter((name) => name !== 'rebeccapurple');

/**
 * The name that calendar files give each course's colour: the one that looks nearest (CIEDE2000), no name twice, so that two
 * courses are told apart in other programs, too. The nearest pair of all is settled first.
 */
function namesFor(inks: ReadonlyMap<CourseColor, string>): ReadonlyMap<CourseColor, string> {
  const distance = differenceCiede2000();
  const pairs = [...inks].flatMap(([color, ink]) =>
    NAMES.map((name) => ({ color, name, far: distance(ink, name) })),
  );
  const named = new Map<CourseColor, string>();
  const taken = new Set<string>();
  for (const { color, name } of pairs.sort((a, b) => a.far - b.far)) {
    if (named.has(color) || taken.has(name)) continue;
    named.set(color, name);
    taken.add(name);
  }
  return named;
}

const inks = new Map(
  Object.entries(COURSE_PAIRS.light).map(([color, { ink }]) => [color as CourseColor, ink]),
);

export const COURSE_CSS_COLORS = Object.fromEntries(namesFor(inks)) as Readonly<Record<CourseColor, string>>;

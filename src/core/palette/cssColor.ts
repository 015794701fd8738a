import colorNames from 'color-name';
import type { CourseColor } from '../plan/plan';
import { COURSE_PAIRS } from './palette';

type Rgb = readonly [number, number, number];

const rgbOf = (hex: string): Rgb =>
  [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16)) as unknown as Rgb;
const distance = (a: Rgb, b: Rgb) => a.reduce((sum, channel, i) => sum + (channel - b[i]!) ** 2, 0);

/** The CSS3 colour name that is nearest to `#rrggbb`: RFC 7986 section 5.9 takes nothing but names. */
export function cssColor(hex: string): string {
  const wanted = rgbOf(hex);
  const names = Object.entries(colorNames as Record<string, Rgb>);
  return names.reduce((best, next) =>
    distance(next[1], wanted) < distance(best[1], wanted) ? next : best,
  )[0];
}

/** The name that calendar files give each course's colour. */
export const COURSE_CSS_COLORS = Object.fromEntries(
  Object.entries(COURSE_PAIRS.light).map(([color, { ink }]) => [color, cssColor(ink)]),
) as Readonly<Record<CourseColor, string>>;

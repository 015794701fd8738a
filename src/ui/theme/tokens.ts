import { COURSE_PAIRS, GROUNDS } from '@/core/palette/palette';
import type { Scheme } from '@/core/palette/palette';

const kebab = (name: string) => name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`);

const block = (scheme: Scheme): string => {
  const grounds = Object.entries(GROUNDS[scheme]).map(([name, value]) => `--${kebab(name)}:${value}`);
  return grounds.join(';');
};

const courses = (scheme: Scheme): string =>
  Object.entries(COURSE_PAIRS[scheme])
    .map(([name, { ink, tint }]) => `[data-course=${name}]{--course:${ink};--course-tint:${tint}}`)
    .join('');

/** The colours of the palette as CSS variables, light and dark; elements with `data-course` carry their course's pair. */
export const tokenStyle = `:root{${block('light')}}${courses('light')}
@media (prefers-color-scheme:dark){:root{color-scheme:dark;${block('dark')}}${courses('dark')}}`;

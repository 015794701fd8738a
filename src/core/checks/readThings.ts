import type { Link } from '../entries/entry';
import type { CheckInput, Finding } from './check';

/** Something with a text and links that readers are given. */
export type ReadThing = Readonly<{ about: Finding['about']; description: string; links: readonly Link[] }>;

/** Entries that take place, and what is planned for classes. */
export const readThings = ({ entries, classes }: Pick<CheckInput, 'entries' | 'classes'>): ReadThing[] => [
  ...entries.flatMap((entry) =>
    entry.cancelled === undefined
      ? [{ about: { entry }, description: entry.description, links: entry.links }]
      : [],
  ),
  ...classes.flatMap((seen) =>
    seen.plan ? [{ about: { seen }, description: seen.plan.description, links: seen.plan.links }] : [],
  ),
];

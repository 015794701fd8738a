import type { SeenChange } from './changesSince';
import type { SeenPlan } from './seenPlan';
import { classPath } from './classPath';
import { studentTexts } from '../texts/student';
import { momentLabel } from '../time/dateLabels';

export type ChangeLine = Readonly<{
  key: string;
  title: string;
  words: string;
  tags: readonly Readonly<{ tag: string; color: string }>[];
  href?: string;
}>;

/** A change in words: what it is now, and what it was. */
export function changeWords({ kind, was, now }: SeenChange, locale: string): string {
  const label = momentLabel(now, locale);
  return kind === 'moved' && was
    ? studentTexts.changes.moved({ now: label, was: momentLabel(was, locale) })
    : studentTexts.changes[kind === 'moved' ? 'changed' : kind]({ now: label, was: label });
}

export const changeLines = (changes: readonly SeenChange[], plan: SeenPlan): ChangeLine[] =>
  changes.map((change) => ({
    key: change.key,
    title: change.title,
    words: changeWords(change, plan.locale),
    tags: plan.courses
      .filter((course) => change.courses.includes(course.id))
      .map(({ tag, color }) => ({ tag, color })),
    href: hrefOf(change),
  }));

/** What is gone has a page that says so; what has no title has none. */
function hrefOf({ key, kind, title, ofClass }: SeenChange): string | undefined {
  if (title === '') return undefined;
  const page = ofClass ? classPath(key) : `/e/${key}`;
  return kind === 'answered' ? `${page}#questions` : page;
}

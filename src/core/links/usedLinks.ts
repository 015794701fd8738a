import type { Link } from '../entries/entry';
import type { CourseId } from '../ids';
import type { Material } from '../materials/material';
import type { SeenPlan } from '../plan/seenPlan';

/** An address that something in a course leads to. */
export type UsedLink = Readonly<{ url: string; course: CourseId }>;

const isOutside = (url: string) => /^https?:/i.test(url);

/** The addresses in formatted text that has been sanitised. */
export const linksInText = (html: string): string[] =>
  [...html.matchAll(/href="([^"]+)"/g)].map(([, url = '']) => url.replaceAll('&amp;', '&')).filter(isOutside);

/** The addresses that something leads to: its links, and those in its text. */
export const addressesOf = ({
  links,
  description,
}: Readonly<{ links: readonly Link[]; description: string }>): string[] => [
  ...new Set([...links.map((link) => link.url).filter(isOutside), ...linksInText(description)]),
];

/** Every address of the open internet that the plan and the materials of some courses lead to. */
export function usedLinks(plan: SeenPlan, materials: readonly Material[]): UsedLink[] {
  const of = (courses: readonly CourseId[], urls: readonly string[]) =>
    urls.flatMap((url) => courses.map((course) => ({ url, course })));
  return [
    ...plan.entries.flatMap((entry) =>
      entry.kind === 'note'
        ? []
        : of(
            entry.audience.map((part) => part.course),
            addressesOf(entry),
          ),
    ),
    ...plan.classes.flatMap((seen) => (seen.plan ? of([seen.course.id], addressesOf(seen.plan)) : [])),
    ...materials.flatMap(({ course, url, text }) =>
      of([course], [...(isOutside(url) ? [url] : []), ...linksInText(text)]),
    ),
  ];
}

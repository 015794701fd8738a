import type { CourseId } from '../ids';
import type { SeenPlan } from '../plan/seenPlan';
import { sharedTexts as say } from '../texts/shared';
import type { Outlet } from './outlet';

/** One address by which something of a course is read, or come into, from outside. */
export type SharedLine = Readonly<{
  key: string;
  what: string;
  /** Who gets there by it, and what goes along. */
  who: string;
  /** Where it is changed or taken back. */
  href: string;
}>;

/** All that a course shares outwards: its published outlets, its joining address while that is open, its sign-up sheets. */
export function sharedOutwards(
  course: CourseId,
  { plan, outlets, joining }: Readonly<{ plan: Pick<SeenPlan, 'sheets'>; outlets: readonly Outlet[]; joining: boolean }>,
): SharedLine[] {
  const published = outlets.flatMap((outlet): SharedLine[] => {
    if (outlet.audience === 'personal' || !outlet.courses.includes(course)) return [];
    const { id, kind, name, audience, files, meetingLinks, look } = outlet;
    const facts = [
      say.readBy({ audience }),
      files ? say.files : '',
      meetingLinks ? say.meetingLinks : '',
      kind === 'embed' && look.origins.length > 0 ? say.sites({ sites: look.origins }) : '',
    ];
    return [{ key: id, what: say.outlet({ kind, name }), who: facts.filter(Boolean).join(' · '), href: `/publish/${id}` }];
  });
  const sheets = plan.sheets
    .filter((sheet) => sheet.asStaff && sheet.release === 'shown' && sheet.audience.some((part) => part.course === course))
    .map(({ id, title }): SharedLine => ({ key: id, what: say.sheet({ title }), who: say.sheetBy, href: `/office-hours/${id}` }));
  const open: SharedLine[] = joining
    ? [{ key: 'joining', what: say.joining, who: say.joiningOpen, href: `/courses/${encodeURIComponent(course)}#joining` }]
    : [];
  return [...published, ...open, ...sheets];
} // prettier-ignore

import { officeTexts } from '@/core/texts/office';
import { staffTexts } from '@/core/texts/staff';
import { momentLabel } from '@/core/time/dateLabels';
import type { ZonedWall } from '@/core/time/zonedWall';
import type { StaffRole } from '@/core/may/role';

/** A note of the office as it comes from the database; names as they are now, null for whoever is gone. */
type Note = Readonly<{
  id: string;
  at: ZonedWall;
  act: keyof typeof officeTexts.acts;
  actor: string | null;
  person: string | null;
  course: string | null;
  detail: string;
}>;

/** Acts that are about nobody: who is named then is not somebody who is gone. */
const ABOUT_NOBODY: ReadonlySet<Note['act']> = new Set(['held', 'retention', 'platform', 'platformEnded', 'site', 'siteEnded']); // prettier-ignore

/** What the office did, in words, with the moment in the school's zone. */
export function officeLogLine(
  { id, at, act, actor, person, course, detail }: Note,
  locale: string,
): Readonly<{ id: string; at: string; words: string }> {
  const role = detail in staffTexts.roles ? staffTexts.roles[detail as StaffRole] : detail;
  const where = [course, role].filter(Boolean).join(', ');
  return {
    id,
    at: momentLabel(at, locale),
    words: officeTexts.line(actor ?? officeTexts.somebody, officeTexts.acts[act], ABOUT_NOBODY.has(act) ? '' : (person ?? officeTexts.somebody), where), // prettier-ignore
  };
}

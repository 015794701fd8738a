import { Temporal } from 'temporal-polyfill';
import type { Section, StaffMember } from '@/core/plan/plan';
import { staffTexts } from '@/core/texts/staff';
import { dateLabel } from '@/core/time/dateLabels';
import type { StaffLine } from './StaffSection';

/** Somebody on a staff, with the sections and days of whoever helps. */
export function staffLine(
  { id, name, role, sections, from, until }: StaffMember,
  all: readonly Pick<Section, 'id' | 'name'>[],
  locale: string,
): StaffLine {
  const day = (text: string) => dateLabel(Temporal.PlainDate.from(text), 'short', locale);
  const names = all.filter((section) => sections?.includes(section.id)).map((section) => section.name);
  return {
    id,
    name,
    role,
    detail: [
      names.length > 0 ? staffTexts.inSections({ names: names.join(', ') }) : '',
      from && until ? staffTexts.days({ from: day(from), until: day(until) }) : '',
    ]
      .filter(Boolean)
      .join(', '),
  };
}

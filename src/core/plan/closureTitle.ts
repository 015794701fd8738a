import { closureTexts } from '../texts/closures';
import { entryTexts } from '../texts/entries';
import type { Closure, ClosedHours } from '../time/closure';
import { isWhole } from '../time/closure';
import { timeLabel } from '../time/dateLabels';

/** What a closure is called with what it does to its days: `Storm, closed from 15:00`; its bare name where nothing takes place; of some sections, with their names. */
export function closureTitle(
  bare: string,
  hours: ClosedHours & Pick<Closure, 'sectionNames'>,
  locale?: string,
): string {
  const name = hours.sectionNames ? closureTexts.ofSections(bare, hours.sectionNames) : bare;
  if (isWhole(hours)) return name;
  const { opensAt, closesAt, online } = hours;
  if (online) return entryTexts.taughtOnline({ name });
  if (opensAt && closesAt)
    return entryTexts.openBetween({
      name,
      from: timeLabel(opensAt, locale),
      to: timeLabel(closesAt, locale),
    });
  return opensAt
    ? entryTexts.opensAt({ name, time: timeLabel(opensAt, locale) })
    : entryTexts.closedFrom({ name, time: timeLabel(closesAt!, locale) });
}

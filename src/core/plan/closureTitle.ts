import { entryTexts } from '../texts/entries';
import type { ClosedHours } from '../time/closure';
import { isWhole } from '../time/closure';
import { timeLabel } from '../time/dateLabels';

/** What a closure is called with what it does to its days: `Storm, closed from 15:00`; its bare name where nothing takes place. */
export function closureTitle(name: string, hours: ClosedHours, locale?: string): string {
  if (isWhole(hours)) return name;
  const { opensAt, closesAt, online } = hours;
  if (online) return entryTexts.taughtOnline(name);
  if (opensAt && closesAt)
    return entryTexts.openBetween(name, timeLabel(opensAt, locale), timeLabel(closesAt, locale));
  return opensAt
    ? entryTexts.opensAt(name, timeLabel(opensAt, locale))
    : entryTexts.closedFrom(name, timeLabel(closesAt!, locale));
}

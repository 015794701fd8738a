import type { Temporal } from 'temporal-polyfill';
import { closureTexts } from '../texts/closures';
import { isOn } from '../time/closure';
import { momentLabel } from '../time/dateLabels';
import type { ZoneLookup } from '../time/zone';
import { toWall } from '../time/zone';
import { closureTitle } from './closureTitle';
import type { SeenPlan } from './seenPlan';

/** How late before its first day a closure is news, in days: what was known for longer stands in everybody's plan. */
const SUDDEN = 2;

/**
 * What was closed at short notice for today or tomorrow, each in a line with the time at which it was said, for the head of
 * every page; empty on all other days.
 */
export function suddenClosures(
  { closures, terms, courses, locale }: Pick<SeenPlan, 'closures' | 'terms' | 'courses' | 'locale'>,
  now: Temporal.Instant,
  zoneOf: ZoneLookup,
): string[] {
  return closures.flatMap((closure) => {
    const term = terms.find(({ id }) => id === closure.term);
    if (!term) return [];
    const zone = zoneOf(term.tzid);
    const today = toWall(zone, now).toPlainDate();
    const tomorrow = today.add({ days: 1 });
    const day = isOn(closure, today) ? 'today' : isOn(closure, tomorrow) ? 'tomorrow' : undefined;
    const said = toWall(zone, closure.created);
    const known = said.toPlainDate().until(closure.start, { largestUnit: 'days' }).days;
    if (day === undefined || known > SUDDEN) return [];
    const title = closureTitle(closure.name, closure, locale);
    const tag = courses.find(({ id }) => id === closure.course)?.tag;
    const when = momentLabel({ wall: said, tzid: term.tzid }, locale);
    return [closureTexts.sudden({ day, what: tag ? `${tag}: ${title}` : title, when })];
  });
}

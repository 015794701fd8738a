import { Temporal } from 'temporal-polyfill';
import type { Plan } from './plan';

/** Each thing once, by its id, in the order in which it comes first. */
function once<T extends Readonly<{ id: string }>>(lists: readonly (readonly T[])[]): T[] {
  const [only] = lists;
  if (only && lists.length === 1) return [...only];
  return [...new Map(lists.flat().map((thing) => [thing.id, thing])).values()];
}

const byStart = (a: { startsOn: Temporal.PlainDate }, b: { startsOn: Temporal.PlainDate }) =>
  Temporal.PlainDate.compare(a.startsOn, b.startsOn);
const byCode = (a: { code: string }, b: { code: string }) => (a.code < b.code ? -1 : 1);

/**
 * The plans of single courses as the plan of all of them: what stands in several (an entry for two courses, a closure of the
 * term) is there once.
 */
export function mergePlans(plans: readonly Plan[], locale: string): Plan {
  const all = <K extends Exclude<keyof Plan, 'locale' | 'tombstones'>>(key: K) =>
    once(plans.map((plan) => plan[key] as readonly Readonly<{ id: string }>[])) as unknown as Plan[K];
  return {
    locale,
    terms: [...all('terms')].sort(byStart),
    courses: [...all('courses')].sort(byCode),
    closures: all('closures'),
    siteDates: all('siteDates'),
    classPlans: all('classPlans'),
    entries: all('entries'),
    sheets: all('sheets'),
    materials: all('materials'),
    calendars: all('calendars'),
    tombstones: plans.flatMap(({ tombstones }) => tombstones),
  };
}

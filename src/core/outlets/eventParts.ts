import type { Temporal } from 'temporal-polyfill';
import type { VEvent } from '../icalendar/calendar';
import { COURSE_CSS_COLORS } from '../palette/cssColor';
import type { Course } from '../plan/plan';
import type { SeenPlan } from '../plan/seenPlan';
import type { Meeting } from '../time/meetings';
import type { ZoneLookup } from '../time/zone';
import type { ReminderKind } from './outlet';

/** Where an outlet's links lead: to pages of the outlet itself where it is public, to Pembit's own otherwise. */
export type Addresses = Readonly<{
  entry: (id: string) => string;
  day: (date: Temporal.PlainDate, course: Course | undefined) => string;
  /** A class's own page, which stays when it moves; of an outlet without one its day. */
  class: (meeting: Pick<Meeting, 'id' | 'date'>) => string;
  signUp: string;
  /** A path of Pembit's, for whoever signs in. */
  page: (path: string) => string;
}>;

export type EventContext = Readonly<{
  plan: SeenPlan;
  addresses: Addresses;
  zoneOf: ZoneLookup;
  /** A title as the outlet writes it: `HL NV: Launch day`, or without the tags. */
  named: (courses: readonly Course[], title: string) => string;
  /** Minutes before, for each reminder of such an event. */
  alarms: (kind: ReminderKind) => readonly number[];
}>;

/** The courses that something is for, as far as they are seen. */
export const coursesOf = (plan: SeenPlan, item: { audience: readonly { course: string }[] }) =>
  plan.courses.filter((course) => item.audience.some((part) => part.course === course.id));

/** A title after the tags of its courses: `HL NV: Launch day`. */
export const tagged = (courses: readonly Pick<Course, 'tag'>[], title: string) =>
  courses.length === 0 ? title : `${courses.map((c) => c.tag).join(' ')}: ${title}`;

/** Plain text that reads well in a narrow window: what it is, each link on its own line, where to read on. */
export function describe(parts: readonly (string | undefined)[]): string {
  return parts.filter((part) => part !== undefined && part !== '').join('\n');
}

/** A page of Pembit's own is written with its whole address. */
export const linkLine =
  ({ page }: Addresses) =>
  ({ label, url }: Readonly<{ label: string; url: string }>) => {
    const address = url.startsWith('/') ? page(url) : url;
    return label ? `${label}: ${address}` : address;
  };

/** The formatted text, where it says more than its plain form. */
export const styled = (description: string): string | undefined =>
  /<(?!\/?p>)/.test(description) ? description : undefined;

export const colorOf = ([course]: readonly Course[]): Pick<VEvent, 'color'> =>
  course ? { color: COURSE_CSS_COLORS[course.color] } : {};

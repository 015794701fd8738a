import type { Temporal } from 'temporal-polyfill';
import type { VTombstone } from '@/core/icalendar/calendar';
import type { EntryId } from '@/core/ids';
import type { Addresses } from '@/core/outlets/eventParts';
import { classPath } from '@/core/plan/classPath';
import { newestIn } from '@/core/outlets/newest';
import { officeFreeBusy } from '@/core/outlets/officeFreeBusy';
import { workTodos } from '@/core/outlets/workTodos';
import { atomFile } from './atomFile';
import type { OpenFiles } from './openFiles';
import { NOTHING_OPEN, openedAt } from './openFiles';
import type { Outlet } from '@/core/outlets/outlet';
import { feedEvents, feedTombstones } from '@/core/outlets/feedEvents';
import type { OutletContents } from '@/core/outlets/outletContents';
import { COURSE_CSS_COLORS } from '@/core/palette/cssColor';
import { writeCalendar } from '@/core/icalendar/writeCalendar';
import { feedTexts } from '@/core/texts/feeds';
import { requireZone } from '@/core/time/zoneData';
import { momentText } from '@/core/time/zonedWall';

const MINUTES_BETWEEN_POLLS = 60;

/** The forms of a feed's file: its events, due work as tasks, office hours as free and busy times, what is new. */
export const FEED_FORMS = ['events', 'work', 'freeBusy', 'news'] as const;
export type FeedForm = (typeof FEED_FORMS)[number];

type Given = Readonly<{
  /** The secret part of its address. */
  token: string;
  baseUrl: string;
  /** Under which path its own pages stand; absent: that of embeds. */
  pages?: string;
  open?: OpenFiles;
  form?: FeedForm;
  /** When the owner of a personal feed ticked each piece of work. */
  done?: ReadonlyMap<EntryId, Temporal.Instant>;
  changedAtMs?: number;
  /** What a personal feed calls off of the courses that its owner left. */
  left?: readonly VTombstone[];
}>;

/** Where the links of an outlet's file lead: a personal one's to Pembit, any other's to its own pages. */
export function addressesOf(
  outlet: Outlet,
  {
    token,
    baseUrl,
    pages = '/embed',
    open = NOTHING_OPEN,
  }: Pick<Given, 'token' | 'baseUrl' | 'pages' | 'open'>,
): Addresses {
  const personal = outlet.audience === 'personal';
  const embed = `${baseUrl}${pages}/${token}`;
  const opened = openedAt(embed, open);
  return {
    entry: (id) => (personal ? `${baseUrl}/e/${id}` : `${embed}/e/${id}`),
    day: (date, course) =>
      personal
        ? `${baseUrl}/day/${momentText(date)}${course ? `?course=${encodeURIComponent(course.code)}` : ''}`
        : `${embed}/day/${momentText(date)}`,
    class: ({ id, date }) => (personal ? baseUrl + classPath(id) : `${embed}/day/${momentText(date)}`),
    signUp: `${baseUrl}/sign-up`,
    // What is closed to its readers leads to Pembit, for whoever signs in.
    page: (path) => opened(path) ?? baseUrl + path,
  };
}

/** What a form of the file holds. */
function bodyOf(
  outlet: Outlet,
  contents: OutletContents,
  addresses: Addresses,
  { form = 'events', done, baseUrl, left = [] }: Given,
) {
  switch (form) {
    case 'events': {
      const events = feedEvents(contents, addresses, requireZone);
      const held = new Set(events.map(({ uid }) => uid));
      const tombstones = feedTombstones(contents, events);
      for (const { uid } of tombstones) held.add(uid);
      return { events, tombstones: [...tombstones, ...left.filter(({ uid }) => !held.has(uid))] };
    }
    case 'work':
      return { events: [], todos: workTodos(contents, addresses, done ?? new Map()) };
    case 'freeBusy':
      return {
        events: [],
        freeBusy: officeFreeBusy(contents, { uid: `${outlet.id}-hours`, url: `${baseUrl}/sign-up` }),
      };
    case 'news':
      return { events: [] };
    default:
      return form satisfies never;
  }
}

/** The file of an outlet, in one of its forms. */
export function outletFile(outlet: Outlet, contents: OutletContents, given: Given): string {
  const { token, baseUrl, pages = '/embed', form = 'events' } = given;
  const personal = outlet.audience === 'personal';
  const page = personal ? baseUrl : `${baseUrl}${pages}/${token}`;
  const addresses = addressesOf(outlet, given);
  // A copy of a file that is not public would carry its secret address on.
  const self = (ending: string) =>
    outlet.audience === 'public' ? `${baseUrl}/feeds/${token}${ending}` : undefined;
  if (form === 'news')
    return atomFile(outlet, newestIn(contents, addresses), { page, self: self('.atom'), changedAtMs: given.changedAtMs ?? 0 }); // prettier-ignore
  const {
    courses,
    terms: [term],
  } = contents.plan;
  return writeCalendar(
    {
      name: form === 'work' ? feedTexts.workOf({ name: outlet.name }) : outlet.name,
      description: feedTexts.about({
        courses: courses.map((course) => `${course.code} ${course.title}`),
        audience: outlet.audience,
      }),
      url: page,
      color: courses.length === 1 ? COURSE_CSS_COLORS[courses[0]!.color] : undefined,
      refreshMinutes: MINUTES_BETWEEN_POLLS,
      source: form === 'events' ? self('.ics') : undefined,
      zone: term ? { tzid: term.tzid, year: term.startsOn.year } : { tzid: 'UTC', year: 1970 },
      ...bodyOf(outlet, contents, addresses, given),
    },
    requireZone,
  );
}

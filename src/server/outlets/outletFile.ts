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

/** The calendar file of an outlet. `token` is the secret part of its address. */
export function outletFile(
  outlet: Outlet,
  contents: OutletContents,
  { token, baseUrl, open = NOTHING_OPEN }: Readonly<{ token: string; baseUrl: string; open?: OpenFiles }>,
): string {
  const personal = outlet.audience === 'personal';
  const embed = `${baseUrl}/embed/${token}`;
  const opened = openedAt(embed, open);
  const events = feedEvents(
    contents,
    {
      entry: (id) => (personal ? `${baseUrl}/e/${id}` : `${embed}/e/${id}`),
      day: (date, course) =>
        personal
          ? `${baseUrl}/day/${momentText(date)}${course ? `?course=${encodeURIComponent(course.code)}` : ''}`
          : `${embed}/day/${momentText(date)}`,
      signUp: `${baseUrl}/sign-up`,
      // What is closed to its readers leads to Pembit, for whoever signs in.
      page: (path) => opened(path) ?? baseUrl + path,
    },
    requireZone,
  );
  const {
    courses,
    terms: [term],
  } = contents.plan;
  return writeCalendar(
    {
      name: outlet.name,
      description: feedTexts.about(
        courses.map((course) => `${course.code} ${course.title}`),
        outlet.audience,
      ),
      url: personal ? baseUrl : embed,
      color: courses.length === 1 ? COURSE_CSS_COLORS[courses[0]!.color] : undefined,
      refreshMinutes: MINUTES_BETWEEN_POLLS,
      // A copy of a file that is not public would carry its secret address on.
      source: outlet.audience === 'public' ? `${baseUrl}/feeds/${token}.ics` : undefined,
      zone: term ? { tzid: term.tzid, year: term.startsOn.year } : { tzid: 'UTC', year: 1970 },
      events,
      tombstones: feedTombstones(contents, events),
    },
    requireZone,
  );
}

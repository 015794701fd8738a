import type { Viewer } from '../entries/viewer';
import type { Outlet } from './outlet';

/** Who looks through an outlet: a personal feed is its owner, any other a reader without a name. */
export function outletViewer(outlet: Outlet, owner: Viewer): Viewer {
  switch (outlet.audience) {
    case 'personal':
      return owner;
    case 'public':
    case 'roster':
      return {
        kind: outlet.audience,
        courses: new Set(outlet.courses),
        sections: new Set(outlet.sections),
        calendars: new Set(outlet.calendars),
        meetingLinks: outlet.meetingLinks,
      };
    default:
      return outlet satisfies never;
  }
}

import * as en from './compiled/en/help';
import { extend } from './extend';
type Part = Readonly<{ what: string; how: string; href?: string }>;

/** The page that says how Pembit is used. What stands at its place (hints, empty states) is not said again here. */
export const helpTexts = extend(en.helpTexts, {order: [
    { what: 'Courses', href: '/courses', how: 'Say when each section meets, paste the roster. Terms and closures are the administrator’s, on School.' },
    { what: 'Materials', href: '/materials', how: 'Bring in the course’s outline: a list, a package, files, links.' },
    { what: 'Term', href: '/term', how: 'Paste the topics onto the classes, type work into the quick line, drag materials from the shelf onto days.' },
    { what: 'Office hours', href: '/office-hours', how: 'Paint the stretches, say how long a time is; Pembit cuts them.' },
    { what: 'Checks', href: '/checks', how: 'What looks questionable, each with what puts it right.' },
    { what: 'Publish', href: '/publish', how: 'A feed for calendar applications, an embed for a page. What is public says so.' },
    { what: 'When things change', href: '/term', how: 'Drag the mark: what hangs on a date comes along, and those who had seen the old one can be told. A class that was not reached slides, from its panel.' },
    { what: 'Questions', href: '/courses', how: 'Let students of a course ask under its dates and classes, on the course’s page. What waits for an answer stands on Today.' },
    { what: 'Next term', href: '/carry-over', how: 'Carry the plan over to the new dates, side by side with the old ones.' },
  ] as readonly Part[],
student: [
    { what: 'Next', href: '/next', how: 'What is due and what is on, by day. Tick what is done; what moved is marked until you have seen it.' },
    { what: 'Due', href: '/due', how: 'All your due work by day, what is left of this week, and days to work on it. Where work goes by your own start, you say there when you begin.' },
    { what: 'Term', href: '/term', how: 'All of it on one page. The date leads to the page of that day: what was done, handouts, links, what was set.' },
    { what: 'Materials', href: '/materials', how: 'Everything your courses have handed out.' },
    { what: 'Office hours', href: '/sign-up', how: 'Free office-hour times of all courses; take one, give it back, or exchange it.' },
    { what: 'Subscribe', href: '/subscribe', how: 'One address that brings all of it into the calendar of your phone. Calendar applications look hourly, some once a day. Below it: addresses for a parent or guardian.' },
    { what: 'Questions', how: 'Where a course allows it, ask under work, an event or a class: for the staff alone, or for everybody there as “a student”.' },
    { what: 'Your account', href: '/account', how: 'Dates, clock, colours, and when you are written to about what.' },
  ] as readonly Part[],
quick: [
    ['Tide-table quiz, due week 6 Thursday 5 pm, NV', 'work with a due time'],
    ['Bevel board, set class 12, due the start of class 14, HL', 'work dated by classes'],
    ['Loft open 12-2 every Tuesday until 1 Dec @ the loft, HL', 'an event that repeats, with its place'],
    ['Guest talk 20 Oct 10-11:30, HL A, as a draft', 'an event for one section, unseen until it is shown'],
    ['announcement: bring gloves, tomorrow, HL and NV', 'an announcement to two courses'],
    ['note: ask about the battens Friday', 'a private note'],
    ['away until Thu', 'your own classes and times of those days: what that is comes first, then one act calls it off'],
    ['no classes Tue 20 Oct: storm', 'a day without classes: what it hits is shown first'],
  ] as readonly (readonly [string, string])[]}); // prettier-ignore

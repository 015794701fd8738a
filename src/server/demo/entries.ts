import type { Link } from '@/core/entries/entry';
import type { EntryFacts } from '@/core/entries/facts';
import { datedInput, factsFromInput } from '@/core/entries/factsFromInput';
import type { EntryInputJson } from '@/core/entries/entryInput';
import { entryInput } from '@/core/entries/entryInput';
import type { EntryId, GroupId } from '@/core/ids';
import type { Course } from '@/core/plan/plan';
import { requireZone } from '@/core/time/zoneData';
import type { DemoTerm } from './calendar';
import type { DemoCourse } from './courses';
import { BM, HL, NV, SR } from './courses';
import { demoId } from './demoIds';
import type { DemoPerson } from './people';
import { MAREN, STUDENTS, TOBIAS } from './people';

/** `week.weekday time`, e.g. `6.4 17:00`: Thursday of week 6 at five. */
type At = `${number}.${number} ${string}`;
type Release = 'draft' | { from: At } | undefined;

type DemoAssignment = [
  course: DemoCourse,
  title: string,
  set: `${number}.${number}`,
  due: At,
  handIn: string,
  links?: string[],
  release?: Release,
];
type DemoEvent = [
  course: DemoCourse,
  title: string,
  start: At,
  end: string,
  place: string,
  links?: string[],
  release?: Release,
];

const PAPER = 'On paper, in the loft';
const LINK = 'At the link';

const ASSIGNMENTS: readonly DemoAssignment[] = [
  [HL, 'Table of offsets, sheet 1', '1.4', '2.4 17:00', PAPER, ['handouts/offsets-table']],
  [HL, 'Body plan', '2.4', '3.4 17:00', PAPER, ['handouts/body-plan']],
  [
    HL,
    'Half-breadth plan',
    '5.1',
    '6.4 17:00',
    PAPER,
    ['handouts/offsets-table-4', 'recordings/batten-bending'],
  ],
  [HL, 'Bevel board', '6.2', '8.4 17:00', PAPER, ['handouts/bevel-board'], { from: '6.2 08:00' }],
  [HL, 'Mould set, stations 2 to 6', '9.4', '11.4 17:00', PAPER, ['handouts/moulds'], { from: '9.4 08:00' }],
  [
    HL,
    'Half model',
    '11.2',
    '14.4 12:00',
    'Brought to the loft',
    ['handouts/half-model'],
    { from: '11.2 08:00' },
  ],
  [NV, 'Chart symbols', '1.5', '2.5 09:00', LINK, ['quizzes/chart-symbols']],
  [NV, 'Set and drift', '3.1', '4.5 09:00', LINK, ['quizzes/set-and-drift']],
  [NV, 'Tide-table quiz', '5.5', '6.4 17:00', LINK, ['quizzes/tide-tables', 'handouts/worksheet-7']],
  [NV, 'Passage plan, first draft', '9.1', '12.5 09:00', LINK, ['handouts/passage-plan']],
  [NV, 'Passage plan', '12.5', '14.5 09:00', LINK, ['handouts/passage-plan'], 'draft'],
  [SR, 'Splice sampler', '2.3', '4.5 13:00', 'Brought to class', ['handouts/splices']],
  [SR, 'Sail plan critique', '6.3', '7.3 13:00', 'Brought to class', ['handouts/sail-plan']],
  [
    SR,
    'Rig inspection report',
    '9.2',
    '11.3 17:00',
    LINK,
    ['handouts/rig-inspection'],
    { from: '9.2 08:00' },
  ],
  [BM, 'Yard budget', '3.3', '5.5 23:59', LINK, ['handouts/budget']],
  [BM, 'Slipway schedule', '6.3', '7.3 23:59', LINK, ['handouts/slipway']],
];

const EVENTS: readonly DemoEvent[] = [
  [HL, 'Bevel workshop', '6.2 09:15', '09:45', 'The loft', ['handouts/bevel-board', 'recordings/bevels']],
  [HL, 'Lofting demonstration', '6.4 12:30', '13:30', 'The loft', ['recordings/lofting-demo']],
  [HL, 'Practical examination', '15.2 10:00', '13:00', 'The loft'],
  [NV, 'Midterm', '6.5 10:30', '11:45', 'Chart room'],
  [NV, 'Harbour sail', '4.6 08:30', '13:00', 'Town quay'],
  [NV, 'Chartwork examination', '15.4 13:00', '16:00', 'Chart room', [], 'draft'],
  [SR, 'Visit to the sail loft', '6.3 14:45', '16:30', 'Breakwater Road'],
  [SR, 'Rig walk', '8.2 13:00', '14:30', 'The hard'],
  [BM, 'Guest: insuring a yard', '7.4 15:00', '16:00', 'Room 4'],
];

/** Due at the start of the class of that day, wherever it goes. */
const BROUGHT_TO_CLASS = new Set(['Splice sampler', 'Sail plan critique']);

const LABELS: Readonly<Record<string, string>> = {
  handouts: 'Handout',
  recordings: 'Recording',
  quizzes: 'Quiz',
};

/** Links lead to the library stand-in's address. */
function linksTo(paths: readonly string[], library: string): Link[] {
  return paths.map((path) => {
    const [shelf = '', name = ''] = path.split('/');
    return {
      url: `${library}/${path}`,
      label: `${LABELS[shelf] ?? ''}: ${name.replaceAll('-', ' ')}`,
      staffOnly: false,
    };
  });
}

type Dates = Readonly<{ day: (text: string) => string; wall: (at: string) => string }>;

function datesOf(term: DemoTerm): Dates {
  const date = (text: string) => {
    const [week, weekday] = text.split('.').map(Number);
    return term.day(week!, weekday!);
  };
  return {
    day: (text) => date(text).toString(),
    wall: (at) => {
      const [day = '', time = ''] = at.split(' ');
      return `${date(day)}T${time}`;
    },
  };
}

/** What shows the rarer kinds: a series, an outing that asks who is coming, announcements, private notes, an extension. */
function specials({ day, wall }: Dates): readonly (readonly [author: DemoPerson, input: EntryInputJson])[] {
  return [
    [
      TOBIAS,
      {
        kind: 'event', title: 'Splicing drop-in', start: wall('2.2 16:00'), end: wall('2.2 17:00'), place: 'Sail loft',
        rrule: `FREQ=WEEKLY;BYDAY=TU;UNTIL=${day('12.2').replaceAll('-', '')}`, audience: [{ course: SR.id }],
      },
    ],
    [
      MAREN,
      {
        kind: 'event', title: 'Night sail to the outer buoy', start: wall('8.6 18:30'), end: wall('8.6 22:00'), place: 'Town quay',
        description: '<p>Bring a <strong>headlamp</strong> and warm clothes. We sail in any weather below force 6.</p>',
        coming: { seats: 12 }, audience: [{ course: NV.id }],
      },
    ],
    [
      MAREN,
      {
        kind: 'announcement', title: 'The loft is open until 20:00 this week', on: day('6.1'),
        audience: [{ course: HL.id }],
      },
    ],
    [
      MAREN,
      {
        kind: 'event', title: 'Half-model team meets', start: wall('7.4 12:15'), end: wall('7.4 13:00'), place: 'The loft',
        audience: [{ course: HL.id, groups: [demoId<GroupId>(`${HL.code} group Half-model team`)] }],
      },
    ],
    [MAREN, { kind: 'note', title: 'Order batten stock', on: wall('7.3 11:00') }],
    [STUDENTS[0]!, { kind: 'note', title: 'Borrow a spline from Signe', on: day('6.3') }],
  ]; // prettier-ignore
}

/** Due by each student's own start. */
const PACED = 'Passage plan, first draft';

/** What pieces of work take, in turn. */
const EFFORTS = [240, 150, 300, 360, 210] as const;

export function demoEntries(term: DemoTerm, courses: readonly Course[], library: string): EntryFacts[] {
  const zone = requireZone(term.tzid);
  const dates = datesOf(term);
  const { day, wall } = dates;
  const visibility = (release: Release): Extract<EntryInputJson, { kind: 'event' }>['visibility'] =>
    release === undefined
      ? { kind: 'visible' }
      : release === 'draft'
        ? { kind: 'draft' }
        : { kind: 'from', from: wall(release.from) };
  const common = (course: DemoCourse, title: string, links: string[] | undefined, release: Release) => ({
    title,
    audience: [{ course: course.id }],
    links: linksTo(links ?? [], library),
    visibility: visibility(release),
  });
  /** The number of a course's class on a day. */
  const classOn = (course: DemoCourse, date: string) =>
    courses
      .find(({ id }) => id === course.id)
      ?.sections[0]?.meetings.find((meeting) => meeting.date.toString() === date)?.ordinal;
  const inputs: (readonly [DemoPerson, EntryInputJson])[] = [
    ...ASSIGNMENTS.map(([course, title, set, due, handIn, links, release], i) => {
      const ordinal = BROUGHT_TO_CLASS.has(title) ? classOn(course, wall(due).slice(0, 10)) : undefined;
      const input: EntryInputJson = {
        ...common(course, title, links, release),
        kind: 'assignment',
        setOn: day(set),
        due: wall(due),
        ...(ordinal ? { atClass: { due: { ordinal } } } : {}),
        handIn,
        effortMinutes: EFFORTS[i % EFFORTS.length],
        ...(title === PACED ? { pacing: { unit: 'weeks', count: 12 } } : {}),
        ...(title === 'Half-breadth plan'
          ? {
              effortMinutes: 180,
              points: 20,
              latePolicy: 'One day late costs two points; after that, talk to me.',
              extensions: [{ person: STUDENTS[1]!.id, due: wall('6.5 17:00') }],
            }
          : {}),
      };
      return [course.instructor, input] as const;
    }),
    ...EVENTS.map(([course, title, start, end, place, links, release]) => {
      const input: EntryInputJson = {
        ...common(course, title, links, release),
        kind: 'event',
        start: wall(start),
        end: `${wall(start).slice(0, 10)}T${end}`,
        place,
      };
      return [course.instructor, input] as const;
    }),
    ...specials(dates),
  ];
  return inputs.map(([author, json]) => {
    const input = entryInput.parse(json);
    const name = `${input.kind === 'note' ? author.email : input.audience[0]!.course} ${input.kind} ${input.title}`;
    const identity = {
      id: demoId<EntryId>(name),
      uid: demoId<string>(`uid ${name}`),
      author: author.id,
    };
    const dated = datedInput(input, courses, zone.tzid);
    if (!dated.ok) throw new Error(dated.errors.map(({ message }) => message).join(' '));
    return factsFromInput(dated.input, identity, zone);
  });
}
